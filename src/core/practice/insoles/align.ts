import type { RepSeries } from "../../reps";
import type { InsoleReading } from "./reading";
import { insoleShare, readAt } from "./reading";

/** Where a pair of insoles' clock may stand against a film's. */
export interface Alignment {
  /** Add it to the insoles' time for the film's, ms. */
  offsetMs: number;
  /** How well both shares go together there (Pearson), −1 to 1. */
  r: number;
}

/** Both are laid on one clock of so many ms. */
const STEP_MS = 10;
/**
 * Shares that go together less than this are not one rep's; places nearer than a step lasts are
 * one; one must be better than every other by this much. By hand.
 */
const [LEAST_R, APART_MS, CLEARLY] = [0.7, 250, 0.05] as const;
/** The insoles must cover this much of the rep. */
const LEAST_COVER = 0.8;
/** So many places are told of a file that has many reps. */
const MOST = 8;

/**
 * Where a pair of insoles may lie on a film's clock, by the steps themselves: the offsets at which
 * their share of the weight goes with the estimated one, the best first. None where nothing in the
 * file is like it.
 */
export function placesOf(
  reading: InsoleReading,
  series: Pick<RepSeries, "t" | "leadShare">,
  hand: "left" | "right",
): Alignment[] {
  const [first, began] = [series.t[0]!, reading.t[0]!];
  const estimate = onClock(series.t, series.leadShare, first, series.t.at(-1));
  const share = onClock(reading.t, insoleShare(reading, hand), began, reading.t.at(-1));
  const outside = Math.floor((1 - LEAST_COVER) * estimate.length);
  const [lag0, lags] = [-outside, share.length - estimate.length + 2 * outside + 1];
  if (lags <= 0) return [];
  const r = Float64Array.from(
    { length: lags },
    (_, i) => correlation(estimate, share, lag0 + i) ?? -1,
  );
  const tops = Array.from(r.keys())
    .filter((i) => r[i]! >= LEAST_R && !(r[i - 1]! > r[i]!) && !(r[i + 1]! > r[i]!))
    .sort((a, b) => r[b]! - r[a]!);
  const out: number[] = [];
  for (const i of tops)
    if (out.length < MOST && out.every((k) => Math.abs(k - i) * STEP_MS > APART_MS)) out.push(i);
  return out.map((i) => ({
    offsetMs: first - began - STEP_MS * (lag0 + i + peak(r[i - 1], r[i]!, r[i + 1])),
    r: r[i]!,
  }));
}

/**
 * The place of several that is clearly the best; null where two do alike, or there is none: a rep
 * without a step or a shift tells no time.
 */
export const clearPlace = <P extends Alignment>(places: readonly P[]): P | null =>
  places[0] && !(places[1] && places[1].r > places[0].r - CLEARLY) ? places[0] : null;

/** The insoles' rows of one rep, on the film's clock. */
export function laidAt(
  { t, left, right }: InsoleReading,
  series: Pick<RepSeries, "t">,
  offsetMs: number,
): InsoleReading {
  const [from, to] = [series.t[0]! - offsetMs, series.t.at(-1) - offsetMs];
  const rows = Array.from(t.keys()).filter((i) => t[i]! >= from && t[i]! <= to);
  const own = (x: Float64Array) => Float64Array.from(rows, (i) => x[i]!);
  return {
    t: own(t).map((ms) => ms + offsetMs),
    left: { heel: own(left.heel), toe: own(left.toe) },
    right: { heel: own(right.heel), toe: own(right.toe) },
  };
}

const onClock = (
  t: ArrayLike<number>,
  x: ArrayLike<number>,
  from: number,
  to: number,
): Float64Array =>
  Float64Array.from({ length: Math.floor((to - from) / STEP_MS) + 1 }, (_, i) =>
    readAt(t, x, from + i * STEP_MS),
  );

/** Top of the parabola through three neighbours, in steps from the middle one. */
function peak(before: number | undefined, at: number, after: number | undefined): number {
  if (before === undefined || after === undefined) return 0;
  const bend = before - 2 * at + after;
  return bend < 0 ? (0.5 * (before - after)) / bend : 0;
}

/**
 * Pearson's of `a` and `b` from its sample `lag` on, over samples that both have; null where those
 * are too few or one does not change.
 */
function correlation(a: Float64Array, b: Float64Array, lag: number): number | null {
  let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
  for (let i = Math.max(0, -lag); i < a.length && i + lag < b.length; i++) {
    const [x, y] = [a[i]!, b[i + lag]!];
    if (Number.isNaN(x) || Number.isNaN(y)) continue;
    n++;
    sa += x;
    sb += y;
    saa += x * x;
    sbb += y * y;
    sab += x * y;
  }
  if (n < LEAST_COVER * a.length) return null;
  const [va, vb] = [saa - (sa * sa) / n, sbb - (sb * sb) / n];
  return va > 1e-9 && vb > 1e-9 ? (sab - (sa * sb) / n) / Math.sqrt(va * vb) : null;
}
