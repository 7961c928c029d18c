import type { RepSeries } from "../../reps/series";
import type { InsoleReading } from "./reading";

/** Where a pair of insoles' clock stands against a film's. */
export interface Alignment {
  /** Add it to the insoles' time for the film's, ms. */
  offsetMs: number;
  /** How well both shares go together there, −1 to 1. */
  r: number;
  /** At that offset, on the film's clock: the share on the lead foot by the insoles, %, NaN where they do not reach. */
  leadShare: Float64Array;
  /** Root mean square of estimate less insoles, %; and their mean difference. */
  rms: number;
  bias: number;
}

/** Both are laid on one clock of so many ms. */
const STEP_MS = 10;
/** Shares that go together less than this, or hardly better than at an offset farther than a step lasts, are not aligned. By hand. */
const [LEAST_R, CLEARLY, APART_MS] = [0.7, 0.05, 250] as const;
/** The insoles must cover this much of the rep. */
const LEAST_COVER = 0.8;

/** The share on the lead foot by the insoles, %; NaN where nobody stands on them. */
export function insoleShare({ left, right }: InsoleReading, hand: "left" | "right"): Float64Array {
  const [lead, trail] = hand === "right" ? [left, right] : [right, left];
  return Float64Array.from(lead.heel, (h, i) => {
    const [a, b] = [h + lead.toe[i]!, trail.heel[i]! + trail.toe[i]!];
    return a + b > 0 ? (100 * a) / (a + b) : NaN;
  });
}

/**
 * Lays a pair of insoles on a film's clock by the steps themselves: at the offset at which their share of the weight goes with the
 * estimated one best. Null where none does, or where two do alike (a rep without a step or a shift tells no time).
 *
 * @param about offsets that are tried, ms
 */
export function align(reading: InsoleReading, series: Pick<RepSeries, "t" | "leadShare">, hand: "left" | "right", about: readonly [from: number, to: number]): Alignment | null {
  const share = insoleShare(reading, hand);
  const first = series.t[0]!;
  const n = Math.floor((series.t.at(-1)! - first) / STEP_MS) + 1;
  const clock = Float64Array.from({ length: n }, (_, i) => first + i * STEP_MS);
  const estimate = clock.map((ms) => interpolated(series.t, series.leadShare, ms));
  const tried: { offset: number; r: number }[] = [];
  for (let offset = about[0]; offset <= about[1]; offset += STEP_MS) {
    const there = clock.map((ms) => interpolated(reading.t, share, ms - offset));
    const r = correlation(estimate, there);
    if (r !== null) tried.push({ offset, r });
  }
  const best = tried.reduce<{ offset: number; r: number } | null>((b, x) => (b === null || x.r > b.r ? x : b), null);
  if (!best || best.r < LEAST_R || tried.some((x) => Math.abs(x.offset - best.offset) > APART_MS && x.r > best.r - CLEARLY)) return null;
  const k = tried.indexOf(best);
  const offsetMs = best.offset + STEP_MS * peak(tried[k - 1]?.r, best.r, tried[k + 1]?.r);
  const leadShare = Float64Array.from(series.t, (ms) => interpolated(reading.t, share, ms - offsetMs));
  const off = series.leadShare.map((v, i) => v - leadShare[i]!).filter(Number.isFinite);
  const bias = off.reduce((sum, v) => sum + v, 0) / off.length;
  return { offsetMs, r: best.r, leadShare, bias, rms: Math.sqrt(off.reduce((sum, v) => sum + v * v, 0) / off.length) };
}

/** Top of the parabola through three neighbours, in steps from the middle one. */
function peak(before: number | undefined, at: number, after: number | undefined): number {
  if (before === undefined || after === undefined) return 0;
  const bend = before - 2 * at + after;
  return bend < 0 ? (0.5 * (before - after)) / bend : 0;
}

/** Between samples in a line; NaN outside them. */
function interpolated(t: ArrayLike<number>, x: ArrayLike<number>, ms: number): number {
  let [lo, hi] = [0, t.length - 1];
  if (ms < t[lo]! || ms > t[hi]!) return NaN;
  while (hi - lo > 1) {
    const middle = (lo + hi) >> 1;
    if (t[middle]! <= ms) lo = middle;
    else hi = middle;
  }
  return x[lo]! + ((x[hi]! - x[lo]!) * (ms - t[lo]!)) / (t[hi]! - t[lo]! || 1);
}

/** Pearson's, over samples that both have; null where those are too few or one does not change. */
function correlation(a: Float64Array, b: Float64Array): number | null {
  let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < a.length; i++) {
    const [x, y] = [a[i]!, b[i]!];
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
