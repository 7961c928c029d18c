import type { Check, Drill, Stage, Fault, Club, Styles, SymptomId } from "../drills";
import type { MeasureId } from "../measures";
import { carriedChecks } from "./carried";
import { lookAt, type Averaged, type Finding } from "./profile";
import { opposed } from "./styles";
import { drillsFor, findSymptom } from "./symptoms";

/**
 * One thing that a complaint may come from: a measure with the drills of the complaint that train
 * it.
 */
export interface Cause {
  measure: MeasureId;
  checks: readonly Check[];
  drills: readonly Drill[];
}

/** What two normal swings say of a cause. */
export type Answer =
  | { says: "it is this" | "too close"; finding: Finding }
  | { says: "not this" | "too close"; average: Averaged }
  | { says: "not told" };

/**
 * The causes of a complaint, in the order of what shows it; where there is more than one, two reps
 * tell them apart.
 */
export function causesOf(symptom: SymptomId, club: Club, styles: Styles): Cause[] {
  const drills = drillsFor(symptom).filter((d) => (d.club ?? club) === club);
  return (findSymptom(symptom)?.shownBy ?? []).flatMap((measure): Cause[] => {
    const own = drills.filter((d) => carriedChecks(d).some((c) => c.measure === measure));
    // The other side of a question has no say where the golfer's own has one.
    const sided = own.filter((d) => !opposed(d, styles).length);
    const checks = (sided.length ? sided : own)
      .flatMap(carriedChecks)
      .filter((c) => c.measure === measure);
    return own.length ? [{ measure, drills: own, checks }] : [];
  });
}

/** @param average over the golfer's own swings; none where they do not tell it */
export function answer(cause: Cause, average: Averaged | undefined, statureCm: number): Answer {
  if (!average) return { says: "not told" };
  const look = (by: number) =>
    lookAt(cause.measure, { ...average, mean: average.mean + by }, cause.checks, statureCm);
  const finding = look(0);
  if (finding) return { says: finding.sure ? "it is this" : "too close", finding };
  // Inside, but its doubt reaches beyond a limit.
  return { says: look(2 * average.u) || look(-2 * average.u) ? "too close" : "not this", average };
}

/**
 * A movement that has the complaint and the one that is wanted instead: a fault of a drill that
 * trains a cause, and that drill's target.
 */
export function examples(
  causes: readonly Cause[],
): { drill: Drill; stage: Stage; fault: Fault; measure: MeasureId } | null {
  for (const { measure, drills } of causes)
    for (const drill of drills)
      for (const stage of drill.stages.filter((s) => s.main && s.view === "face-on")) {
        const fault = stage.faults?.find((f) =>
          stage.checks.some((c) => c.id === f.fails && c.measure === measure),
        );
        if (fault) return { drill, stage, fault, measure };
      }
  return null;
}
