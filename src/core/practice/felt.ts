import type { Stage } from "../drills/drill";
import { CATALOGUE, type MeasureId } from "../measures/catalogue";

/**
 * What a stage's felt share is held against: the first share that it asks for, as a share on the
 * lead foot, %.
 */
export interface FeltBy {
  measure: MeasureId;
  /** When, in words. */
  when: string;
  /** The measure's value as a share on the lead foot, %. */
  onLead(value: number): number;
}

/** Null for a stage that asks for no share: what was felt is kept, and held against nothing. */
export function feltBy({ checks }: Pick<Stage, "checks">): FeltBy | null {
  const check = checks.find(
    ({ measure }) =>
      CATALOGUE[measure].family === "weight" &&
      CATALOGUE[measure].unit === "%" &&
      (measure.startsWith("leadShare") || measure === "trailSharePeak"),
  );
  if (!check) return null;
  if (check.measure === "trailSharePeak")
    return {
      measure: check.measure,
      when: "while the trail foot bears most",
      onLead: (v) => 100 - v,
    };
  return {
    measure: check.measure,
    when: CATALOGUE[check.measure].name.replace(/^Lead share, /, ""),
    onLead: (v) => v,
  };
}
