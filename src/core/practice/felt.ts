import type { Stage } from "../drills";
import { CATALOGUE, type MeasureId } from "../measures";

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
  for (const { measure } of checks) {
    const { share } = CATALOGUE[measure];
    if (share)
      return {
        measure,
        when: share.when,
        onLead: (v) => (share.foot === "lead" ? v : 100 - v),
      };
  }
  return null;
}
