import { findStage, type Stage } from "../../../src/core/drills";
import { dueCue } from "../../../src/core/drills/drillTruth";
import type { ComparedClip } from "../../study/compare";
import { table } from "./document";
import { count, tally, type Tally } from "./verdicts";

/** What was said of one drill's rendered reps. */
export interface FilmedDrill {
  drill: string;
  clips: number;
  tally: Tally;
  targetReps: number;
  targetNotJudged: number;
  /** Reps with a fault, those not judged, and those that failed with their own cue. */
  faultReps: number;
  faultNotJudged: number;
  rightCue: number;
  passedWithoutAction: number;
  /** Clips in which a rep was not found, or one too many. */
  notFound: number;
  said: string[];
}

/** Rendered clips of the drills' stages, done as asked for and with each fault, by drill. */
export function filmedDrills(compared: readonly ComparedClip[]): FilmedDrill[] {
  const rows = new Map<string, FilmedDrill>();
  for (const { clip, found, missed, extra } of compared) {
    const { truth } = clip;
    const { stage } = findStage(truth.drill, truth.stage);
    const row = rows.get(truth.drill) ?? { drill: truth.drill, clips: 0, tally: tally(), targetReps: 0, targetNotJudged: 0, faultReps: 0, faultNotJudged: 0, rightCue: 0, passedWithoutAction: 0, notFound: 0, said: [] };
    rows.set(truth.drill, row);
    row.clips++;
    row.notFound += missed.length + extra.length;
    if (missed.length || extra.length) row.said.push(`${clip.id}: ${missed.length} reps not found, ${extra.length} that are none`);
    const fault = stage.faults?.find((f) => f.id === truth.about) ?? null;
    for (const { rep, truth: exact } of found) judgedRep(row, clip.id, stage, fault?.fails ?? null, truth.golfer.stature, exact, rep);
  }
  return [...rows.values()];
}

function judgedRep(row: FilmedDrill, name: string, stage: Stage, fails: string | null, statureCm: number, exact: ComparedClip["found"][number]["truth"], rep: ComparedClip["found"][number]["rep"]): void {
  const verdict = rep.verdict!;
  const { result, cue } = verdict;
  // A rep without its action has no measures that a must could be held to: it is told by the action alone.
  const due = dueCue(stage, exact, statureCm);
  const without = stage.actions.some((a) => a.id === due);
  if (!without) count(row.tally, name, stage, statureCm, exact, rep, verdict);
  else if (result === "pass") row.passedWithoutAction++;
  if (fails === null) {
    row.targetReps++;
    if (result === "not judged") row.targetNotJudged++;
    if (result !== "pass") row.said.push(`${name}: ${result} ${cue?.id ?? verdict.reason?.message}`);
    return;
  }
  row.faultReps++;
  if (result === "not judged") row.faultNotJudged++;
  if (cue?.id === fails) row.rightCue++;
  else row.said.push(`${name}: ${result} ${cue?.id ?? verdict.reason?.message ?? ""}, due ${due ?? "nothing"}`);
}

/** A row a drill, as Markdown. */
export const filmedTable = (rows: readonly FilmedDrill[]): string => table(
  ["drill", "clips", "verdict as the truth", "right cue", "faulty, not judged", "target, not judged", "false passes", "missed or made up"],
  rows.map((r) => [r.drill, String(r.clips), `${r.tally.agreed} of ${r.tally.judged}`, `${r.rightCue} of ${r.faultReps - r.faultNotJudged}`, `${r.faultNotJudged} of ${r.faultReps}`, `${r.targetNotJudged} of ${r.targetReps}`, String(r.tally.falsePasses + r.passedWithoutAction), String(r.notFound)]),
);
