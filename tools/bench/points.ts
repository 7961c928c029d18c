/**
 * Does a pass mean that the drill was done? `npm run bench:points [-- --drill ID,ID] [--bodies 8]
 * [--print]` (some drills' figures are kept beside the others'). For every judged stage, simulated:
 * movements that the drill warns of or that leave its point out (`points/warnedOf`, from the
 * drill's words), and good ones as good movers differ (`points/howGoodMoversDiffer`), each by
 * several bodies before a phone somewhere, their tracks with the network's fitted errors.
 */
import { parseArgs } from "node:util";
import { DRILLS } from "../../src/core/drills";
import { isSimulated } from "./accuracy/seenReps";
import { inParts } from "./inParts";
import { countMovement, movementsOf } from "./points/pointRows";
import { pointsReport } from "./points/pointsReport";

const { values } = parseArgs({
  options: {
    drill: { type: "string" },
    bodies: { type: "string", default: "8" },
    print: { type: "boolean", default: false },
  },
});
const bodies = Number(values.bodies);
/** One seed for every body; each movement is done by the same ones. */
const SEED = 40_000;

const work = DRILLS.filter(
  (d) => values.drill === undefined || values.drill.split(",").includes(d.id),
).flatMap((drill) =>
  drill.stages
    .filter(isSimulated)
    .flatMap((stage) => movementsOf(drill, stage).map((m) => ({ drill, stage, m }))),
);

const rows = await inParts(work, ({ drill, stage, m }) =>
  countMovement(
    drill,
    stage,
    m,
    Array.from({ length: bodies }, (_, k) => SEED + drill.number * 1000 + k),
  ),
);
if (rows) pointsReport(rows, { bodies, keep: !values.print });
