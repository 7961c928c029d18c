/**
 * Does a pass mean that the drill was done? `npm run bench:points [-- --drill ID,ID] [--bodies 8]
 * [--print]` (one drill's figures are kept beside the others'). For every judged stage, simulated: movements that the drill warns of or that leave
 * its point out (`points/warnedOf`, from the drill's words), and good ones as good movers differ
 * (`points/howGoodMoversDiffer`), each by several bodies before a phone somewhere, their tracks with the
 * network's fitted errors.
 */
import { fork } from "node:child_process";
import { availableParallelism } from "node:os";
import { parseArgs } from "node:util";
import { DRILLS } from "../../src/core/drills";
import { isSimulated } from "./accuracy/seenReps";
import { countMovement, movementsOf, type MovementCount } from "./points/pointRows";
import { pointsReport } from "./points/pointsReport";

const { values } = parseArgs({
  options: {
    drill: { type: "string" },
    bodies: { type: "string", default: "8" },
    print: { type: "boolean", default: false },
    part: { type: "string" },
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

if (values.part === undefined) {
  const parts = Math.min(availableParallelism(), work.length);
  const rows: MovementCount[] = [];
  await Promise.all(
    Array.from({ length: parts }, (_, i) => {
      const child = fork(process.argv[1]!, [...process.argv.slice(2), "--part", `${i}/${parts}`]);
      child.on("message", (row: MovementCount) => rows.push(row));
      return new Promise<void>((done, failed) =>
        child.on("exit", (code) => (code === 0 ? done() : failed(new Error(`part ${i}: ${code}`)))),
      );
    }),
  );
  const order = (r: MovementCount) =>
    work.findIndex(
      (w) => w.drill.id === r.drill && w.stage.id === r.stage && w.m.id === r.movement,
    );
  pointsReport(
    rows.sort((a, b) => order(a) - order(b)),
    { bodies, keep: !values.print },
  );
} else {
  const [part, of] = values.part.split("/").map(Number) as [number, number];
  for (const [i, { drill, stage, m }] of work.entries()) {
    if (i % of !== part) continue;
    process.send!(
      countMovement(
        drill,
        stage,
        m,
        Array.from({ length: bodies }, (_, k) => SEED + drill.number * 1000 + k),
      ),
    );
  }
  process.disconnect();
}
