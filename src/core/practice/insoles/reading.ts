/**
 * What a pair of pressure insoles measured: time on their own clock, ms, and the load under heel
 * and toe of each foot, in any one unit.
 */
export interface InsoleReading {
  t: Float64Array;
  left: { heel: Float64Array; toe: Float64Array };
  right: { heel: Float64Array; toe: Float64Array };
}

/** The share on the lead foot by the insoles, %; NaN where nobody stands on them. */
export function insoleShare(reading: InsoleReading, hand: "left" | "right"): Float64Array {
  const { lead, trail } = sidesOf(reading, hand);
  return Float64Array.from(lead.heel, (h, i) => {
    const [a, b] = [h + lead.toe[i]!, trail.heel[i]! + trail.toe[i]!];
    return a + b > 0 ? (100 * a) / (a + b) : NaN;
  });
}

/** Left and right as lead and trail. */
export const sidesOf = ({ left, right }: InsoleReading, hand: "left" | "right") =>
  hand === "right" ? { lead: left, trail: right } : { lead: right, trail: left };

/** Value at a time, in a line between the samples at `t` (rising, ms); NaN outside them. */
export function readAt(t: ArrayLike<number>, x: ArrayLike<number>, ms: number): number {
  let [lo, hi] = [0, t.length - 1];
  if (!(ms >= t[lo]! && ms <= t[hi]!)) return NaN;
  while (hi - lo > 1) {
    const middle = (lo + hi) >> 1;
    if (t[middle]! <= ms) lo = middle;
    else hi = middle;
  }
  return x[lo]! + ((x[hi]! - x[lo]!) * (ms - t[lo]!)) / (t[hi]! - t[lo]! || 1);
}
