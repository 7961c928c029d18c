import { DRILLS, isJudged, type Drill, type Stage } from "../../src/core/drills";
import { sized } from "../../src/core/figure/sized";
import type { MovementScript } from "../../src/core/figure/script";
import { seeded } from "../../src/core/maths/seeded";
import type { ClipSpec } from "./clip";
import { outfit, REPORT_GOLFERS } from "./people";
import { ordinaryPhone, PLACES } from "./studySets";

/** The name that a clip of a stage done as asked for has, where faults have their own id. */
export const TARGET = "target";

/** Every judged stage as it is asked for, and with each fault that can fail a rep: the clips behind a drill's row. */
export const DRILL_CLIPS: ClipSpec[] = DRILLS.flatMap((drill) =>
  drill.stages.filter(isJudged).flatMap((stage) => [
    { about: TARGET, script: stage.target! },
    ...(stage.faults ?? []).filter((f) => stage.checks.every((c) => c.id !== f.fails || c.level === "must")).map((f) => ({ about: f.id, script: f.script })),
  ].map((m) => ({ drill, stage, ...m }))),
).map((m, n) => clip(m.drill, m.stage, m.about, m.script(), n));

function clip(drill: Drill, stage: Stage, about: string, script: MovementScript, n: number): ClipSpec {
  const seed = 12_000 + n;
  const r = seeded(seed);
  // Seven steps on: the golfers of one drill differ, and so do those of the same fault in the next.
  const golfer = REPORT_GOLFERS[(n * 7) % REPORT_GOLFERS.length]!;
  // Bouts of many slow seconds are filmed at 30 pictures a second, as in the rest of the study.
  const fps = stage.rules.kind === "cycle" || stage.rules.kind === "pivot" ? 30 : 60;
  return {
    id: `${drill.id}-${stage.id}-${about}`, about, golfer, drill: drill.id, stage: stage.id, view: stage.view, script: sized(script, golfer.stature), outfit: outfit("report", r),
    place: PLACES[Math.floor(r.uniform() * PLACES.length)]!, camera: { ...ordinaryPhone(r, golfer.stature), fps }, wind: r.uniform() * 0.6, seed,
  };
}
