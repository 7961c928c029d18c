import { median } from "../maths";

/** Of normally spread values: the standard deviation by the median deviation. */
const MAD_TO_SD = 1.4826;

/**
 * Middle of a measure over some reps, and how far they lie from it: in their own spread or, where
 * that is less, the film's doubt.
 */
export function usualOf(rows: readonly { value: number; u: number }[]): {
  middle: number;
  spread: number;
} {
  const middle = median(rows.map((r) => r.value));
  return {
    middle,
    spread: Math.max(
      MAD_TO_SD * median(rows.map((r) => Math.abs(r.value - middle))),
      median(rows.map((r) => r.u)),
    ),
  };
}

/** A measure's values that some reps have, with their reps. */
export const knownOf = <
  R extends {
    id: string;
    measures: Readonly<Record<string, { value: number | null; u: number | null }>>;
  },
>(
  reps: readonly R[],
  measure: string,
): { id: string; value: number; u: number }[] =>
  reps.flatMap(({ id, measures: { [measure]: m } }) =>
    m && m.value !== null && m.u !== null ? [{ id, value: m.value, u: m.u }] : [],
  );
