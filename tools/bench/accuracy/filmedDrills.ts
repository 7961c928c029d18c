import { findStage } from "../../../src/core/drills";
import type { ComparedClip } from "../../study/compare";
import { table } from "./document";
import { countRep, drillCount, type DrillCount } from "./drillCount";

/** What was said of one drill's rendered reps. */
export interface FilmedDrill extends DrillCount {
  drill: string;
  clips: number;
  /** Reps that were not found, or made up. */
  notFound: number;
}

/** Rendered clips of the drills' stages, done as asked for and with each fault, by drill. */
export function filmedDrills(compared: readonly ComparedClip[]): FilmedDrill[] {
  const rows = new Map<string, FilmedDrill>();
  for (const { clip, found, missed, extra } of compared) {
    const { truth } = clip;
    const { stage } = findStage(truth.drill, truth.stage);
    const row = rows.get(truth.drill) ?? {
      drill: truth.drill,
      clips: 0,
      notFound: 0,
      ...drillCount(),
    };
    rows.set(truth.drill, row);
    row.clips++;
    row.notFound += missed.length + extra.length;
    const fails = stage.faults?.find((f) => f.id === truth.about)?.fails ?? null;
    for (const { rep, truth: exact } of found)
      countRep(row, clip.id, stage, fails, truth.golfer.stature, exact, rep);
  }
  return [...rows.values()];
}

/** What did not come out as wanted. */
export const notAsWanted = (rows: readonly FilmedDrill[]): string[] =>
  rows.flatMap((r) => [
    ...r.tally.wrong,
    ...r.otherCue,
    ...r.open,
    ...(r.notFound ? [`${r.drill}: ${r.notFound} reps missed or made up`] : []),
  ]);

/** A row a drill, as Markdown. */
export const filmedTable = (rows: readonly FilmedDrill[]): string =>
  table(
    [
      "drill",
      "clips",
      "verdict as the truth",
      "right cue",
      "faulty, not judged",
      "target, not judged",
      "false passes",
      "missed or made up",
    ],
    rows.map((r) => [
      r.drill,
      String(r.clips),
      `${r.tally.agreed} of ${r.tally.judged}`,
      `${r.rightCue} of ${r.faultReps - r.faultNotJudged}`,
      `${r.faultNotJudged} of ${r.faultReps}`,
      `${r.targetNotJudged} of ${r.targetReps}`,
      String(r.tally.falsePasses + r.passedWithoutAction),
      String(r.notFound),
    ]),
  );
