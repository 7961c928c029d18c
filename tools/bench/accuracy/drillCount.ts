import type { AnalysedRep } from "../../../src/core/analysis";
import type { Stage } from "../../../src/core/drills";
import { done } from "../../../src/core/drills/drillTruth";
import type { TruthRep } from "../../study/truthClip";
import { count, tally, type Tally } from "./verdicts";

/**
 * What was said of one drill's reps: those made by its target scripts, by its faults, and without
 * its action.
 */
export interface DrillCount {
  tally: Tally;
  /** Reps by the target script, and those of them that were not judged. */
  targetReps: number;
  targetNotJudged: number;
  /**
   * Reps with one fault, those that were not judged, and those that failed with that fault's cue.
   */
  faultReps: number;
  faultNotJudged: number;
  rightCue: number;
  /** Fails with another cue, and why reps were not judged. */
  otherCue: string[];
  open: string[];
  /** Reps without a required action that passed. */
  passedWithoutAction: number;
}

export const drillCount = (): DrillCount => ({
  tally: tally(),
  targetReps: 0,
  targetNotJudged: 0,
  faultReps: 0,
  faultNotJudged: 0,
  rightCue: 0,
  otherCue: [],
  open: [],
  passedWithoutAction: 0,
});

/**
 * Counts one rep.
 *
 * @param fails the check or action whose cue its fault should get; null for a rep by the target
 */
export function countRep(
  row: DrillCount,
  name: string,
  stage: Stage,
  fails: string | null,
  statureCm: number,
  truth: TruthRep,
  rep: AnalysedRep,
): void {
  const verdict = rep.verdict!;
  const { result, cue, reason } = verdict;
  const open = result === "not judged" ? 1 : 0;
  // A rep without its action has no measures that a must could be held to: it is told by the action
  // alone.
  const without = fails !== null && stage.actions.some((a) => !done(a.need, truth));
  if (!without) count(row.tally, name, stage, statureCm, truth, rep, verdict);
  else if (result === "pass") row.passedWithoutAction++;
  if (open) row.open.push(`${name}: ${reason!.message}`);
  if (fails === null) {
    row.targetReps++;
    row.targetNotJudged += open;
    return;
  }
  row.faultReps++;
  row.faultNotJudged += open;
  if (cue?.id === fails) row.rightCue++;
  else if (!open) row.otherCue.push(`${name}: ${result} ${cue?.id ?? ""}`.trim());
}
