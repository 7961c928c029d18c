import { CATALOGUE, type MeasureId } from "../measures";
import type { GlanceRep } from "./glance";
import { passRate, rateChange, type PassRate, type RateChange } from "./passRate";
import { knownOf, usualOf } from "./usual";

/** A measure in the first and in the last bout of a session: their middles, in its unit. */
export interface Shift {
  measure: MeasureId;
  unit: string;
  first: number;
  last: number;
  /** Standard uncertainty of the difference. */
  u: number;
  /** More than twice that. */
  sure: boolean;
}

export interface FirstToLast {
  first: PassRate;
  last: PassRate;
  /** Null where one has no judged reps. */
  change: RateChange | null;
  shifts: Shift[];
}

/** Fewer values than this have no middle worth comparing. */
const ENOUGH = 3;
/** Of normally spread values: the standard error of a median against that of a mean. */
const MEDIAN_SE = 1.2533;

/**
 * How a session of one drill went: its last bout against its first, in passes and in what the
 * checks ask for.
 */
export function firstToLast(
  first: readonly GlanceRep[],
  last: readonly GlanceRep[],
  asked: readonly MeasureId[],
): FirstToLast {
  const [a, b] = [passRate(first.map((r) => r.result)), passRate(last.map((r) => r.result))];
  const shifts = [...new Set(asked)].flatMap((measure) => {
    const [one, other] = [middleOf(first, measure), middleOf(last, measure)];
    if (!one || !other) return [];
    const u = Math.hypot(one.u, other.u);
    return [
      {
        measure,
        unit: CATALOGUE[measure].unit,
        first: one.middle,
        last: other.middle,
        u,
        sure: Math.abs(other.middle - one.middle) > 2 * u,
      },
    ];
  });
  return { first: a, last: b, change: rateChange(a, b), shifts };
}

/**
 * Middle of a measure and its standard error, by the reps' own spread or, where that is less, by
 * the film's doubt.
 */
function middleOf(
  reps: readonly GlanceRep[],
  measure: MeasureId,
): { middle: number; u: number } | null {
  const known = knownOf(reps, measure);
  if (known.length < ENOUGH) return null;
  const { middle, spread } = usualOf(known);
  return { middle, u: (MEDIAN_SE * spread) / Math.sqrt(known.length) };
}
