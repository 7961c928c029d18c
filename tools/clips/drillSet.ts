import { DRILLS, isJudged, type Drill, type Stage } from "../../src/core/drills";
import { failingFaults } from "../../src/core/drills/drillTruth";
import { sized } from "../../src/core/figure/sized";
import type { MovementScript } from "../../src/core/figure/script";
import { seeded } from "../../src/core/maths/seeded";
import type { ClipSpec } from "./clip";
import { outfit, REPORT_GOLFERS } from "./people";
import { ordinaryPhone, PLACES } from "./studySets";

/** The name that a clip of a stage done as asked for has, where faults have their own id. */
const TARGET = "target";

interface Filmed {
  drill: Drill;
  stage: Stage;
  about: string;
  script: () => MovementScript;
  /** Told apart from the same movement by other golfers. */
  again?: number;
}

const judged = DRILLS.flatMap((drill) =>
  drill.stages.filter(isJudged).map((stage) => ({ drill, stage })),
);
const targets = judged.map(({ drill, stage }): Filmed => ({
  drill,
  stage,
  about: TARGET,
  script: stage.target!,
}));
const faults = ({ drill, stage }: (typeof judged)[number]): Filmed[] =>
  failingFaults(stage).map((f) => ({ drill, stage, about: f.id, script: f.script }));

/**
 * Drills of which one target rep in three was not judged: too few to tell, so five golfers more do
 * them.
 */
const TOO_FEW = new Set(["bent-knee-iron", "trail-push-off"]);

/**
 * Every judged stage as it is asked for, and with each fault that can fail a rep: the clips behind
 * a drill's row; and as asked for by two golfers more.
 */
export const DRILL_CLIPS: ClipSpec[] = [
  ...judged.flatMap((j) => [
    targets.find((t) => t.stage === j.stage && t.drill === j.drill)!,
    ...faults(j),
  ]),
  ...[2, 3].flatMap((again) => targets.map((t) => ({ ...t, again }))),
  ...[4, 5, 6, 7, 8].flatMap((again) =>
    targets.filter((t) => TOO_FEW.has(t.drill.id)).map((t) => ({ ...t, again })),
  ),
].map((f, n) => filmed(f, n));

/**
 * A movement of a drill, filmed by an ordinary phone somewhere.
 *
 * @param n its place in its set
 * @param golfer who moves; left out, seven steps on from the one before: the golfers of one drill
 *   differ, and so do those of the same fault in the next
 */
export function filmed(
  { drill, stage, about, script, again }: Filmed,
  n: number,
  seeds = 12_000,
  golfer = REPORT_GOLFERS[(n * 7) % REPORT_GOLFERS.length]!,
): ClipSpec {
  const seed = seeds + n;
  const r = seeded(seed);
  // Bouts of many slow seconds are filmed at 30 pictures a second, as in the rest of the study.
  const fps = stage.rules.kind === "cycle" || stage.rules.kind === "pivot" ? 30 : 60;
  return {
    id: `${drill.id}-${stage.id}-${about}${again ? `-${again}` : ""}`,
    about,
    golfer,
    drill: drill.id,
    stage: stage.id,
    view: stage.view,
    script: sized(script(), golfer.stature),
    outfit: outfit("report", r),
    place: PLACES[Math.floor(r.uniform() * PLACES.length)]!,
    camera: { ...ordinaryPhone(r, golfer.stature), fps },
    wind: r.uniform() * 0.6,
    seed,
  };
}
