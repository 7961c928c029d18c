import { decides, type Drill, type Stage } from "../../../src/core/drills";
import type { Verdict } from "../../../src/core/judge";
import type { MovementScript } from "../../../src/core/figure/script";
import { seenReps } from "../accuracy/seenReps";
import { GOOD_MOVERS } from "./howGoodMoversDiffer";
import { WARNED_OF } from "./warnedOf/all";

/** What was said of one movement, done by several bodies. A body passes when one of its reps does. */
export interface MovementCount {
  drill: string;
  stage: string;
  movement: string;
  good: boolean;
  reps: number;
  passed: number;
  failed: number;
  notJudged: number;
  notFound: number;
  bodiesPassed: number;
  /**
   * By how much the rep that came nearest to passing was outside, in 2u of the check that was
   * farthest outside; 0 for one that was not failed, null where all failed by a missing action.
   */
  nearest: number | null;
  /** Cues of fails, and why others were not judged, with how often. */
  said: Record<string, number>;
  /** For each must and limit: reps in which it was measured, and those in which it was surely out. */
  outside: Record<string, [measured: number, outside: number]>;
}

/** Every movement of the bench in a stage: those warned of, and good ones as people differ. */
export const movementsOf = (
  drill: Drill,
  stage: Stage,
): { id: string; good: boolean; script: () => MovementScript }[] => [
  ...(WARNED_OF[drill.id]?.[stage.id] ?? []).map(({ id, script }) => ({ id, good: false, script })),
  { id: "target", good: true, script: stage.target! },
  ...GOOD_MOVERS.map(({ id, moves }) => ({
    id,
    good: true,
    script: () => moves(stage.target!()),
  })),
];

/** Judges one movement done by the given bodies (seeds of stature, build, hand and camera). */
export function countMovement(
  drill: Drill,
  stage: Stage,
  movement: ReturnType<typeof movementsOf>[number],
  bodies: readonly number[],
): MovementCount {
  const out: MovementCount = {
    drill: drill.id,
    stage: stage.id,
    movement: movement.id,
    good: movement.good,
    reps: 0,
    passed: 0,
    failed: 0,
    notJudged: 0,
    notFound: 0,
    bodiesPassed: 0,
    nearest: null,
    said: {},
    outside: Object.fromEntries(stage.checks.filter(decides).map((c) => [c.id, [0, 0]])),
  };
  for (const seed of bodies) {
    let passed = false;
    for (const { rep } of seenReps(drill, stage, movement.script(), seed)) {
      out.reps++;
      if (!rep) {
        out.notFound++;
        continue;
      }
      const { result, cue, reason, checks } = rep.verdict!;
      if (result === "pass") out.passed++;
      else if (result === "fail") out.failed++;
      else out.notJudged++;
      passed ||= result === "pass";
      const beyond = result === "fail" ? farthestOutside(stage, rep.verdict!) : 0;
      if (beyond !== null) out.nearest = Math.min(out.nearest ?? Infinity, beyond);
      if (result !== "pass") {
        const why = cue?.id ?? reason!.message;
        out.said[why] = (out.said[why] ?? 0) + 1;
      }
      for (const c of checks) {
        const counts = out.outside[c.id];
        if (!counts || c.result === "not measurable") continue;
        counts[0]++;
        if (c.result === "fail") counts[1]++;
      }
    }
    if (passed) out.bodiesPassed++;
  }
  return out;
}

/** How far a failed rep is outside of what decided it, in 2u; null where an action was missing. */
function farthestOutside(stage: Stage, { checks, cue }: Verdict): number | null {
  if (stage.actions.some((a) => a.id === cue?.id)) return null;
  const deciding = stage.checks.filter(decides).map((c) => c.id);
  return Math.max(
    ...checks
      .filter((c) => c.result === "fail" && deciding.includes(c.id))
      .map(
        ({ value, u, band: [lo, hi] }) =>
          Math.max((lo ?? -Infinity) - value!, value! - (hi ?? Infinity)) / (2 * u!),
      ),
  );
}
