import { TRUTH_HZ } from "../simulate";

/**
 * Searching exact channels on the 240 Hz clock. Positions are samples, often between two of them;
 * null = never.
 */

/** Samples of a time in ms. */
export const sampleCount = (ms: number): number => Math.round((ms / 1000) * TRUTH_HZ);
/** ms of one sample. */
export const MS = 1000 / TRUTH_HZ;

/** First sample of the first run of `length` samples that all hold, from `from` up to `to`. */
export function firstRunIn(
  holds: (i: number) => boolean,
  length: number,
  from: number,
  to: number,
): number | null {
  let run = 0;
  for (let i = Math.ceil(from); i <= to; i++) {
    run = holds(i) ? run + 1 : 0;
    if (run >= length) return i - length + 1;
  }
  return null;
}

/**
 * Last sample of the last run of at least `length` samples that all hold, before `before` and after
 * `after`.
 */
export function lastRunEnd(
  holds: (i: number) => boolean,
  length: number,
  before: number,
  after = 0,
): number | null {
  let end: number | null = null;
  for (let i = Math.floor(before); i >= after; i--) {
    if (!holds(i)) {
      end = null;
      continue;
    }
    end ??= i;
    if (end - i + 1 >= length) return end;
  }
  return null;
}

export function indexOfMax(x: ArrayLike<number>, from: number, to: number): number {
  let best = Math.ceil(from);
  for (let i = best; i <= to; i++) if (x[i]! > x[best]!) best = i;
  return best;
}

export function indexOfMin(x: ArrayLike<number>, from: number, to: number): number {
  let best = Math.ceil(from);
  for (let i = best; i <= to; i++) if (x[i]! < x[best]!) best = i;
  return best;
}

/** First crossing upward through `limit`, between samples by line. */
export function firstAbove(
  x: ArrayLike<number>,
  limit: number,
  from: number,
  to: number,
): number | null {
  for (let i = Math.floor(from) + 1; i <= to; i++)
    if (x[i - 1]! <= limit && x[i]! > limit)
      return i - 1 + (limit - x[i - 1]!) / (x[i]! - x[i - 1]!);
  return null;
}

export function firstBelow(
  x: ArrayLike<number>,
  limit: number,
  from: number,
  to: number,
): number | null {
  for (let i = Math.floor(from) + 1; i <= to; i++)
    if (x[i - 1]! >= limit && x[i]! < limit)
      return i - 1 + (limit - x[i - 1]!) / (x[i]! - x[i - 1]!);
  return null;
}

/** Last crossing (either way, or only upward) through zero before `before`. */
export function lastZero(
  x: ArrayLike<number>,
  after: number,
  before: number,
  upwardOnly = false,
): number | null {
  for (let i = Math.floor(before); i > after; i--) {
    const up = x[i - 1]! < 0 && x[i]! >= 0;
    const down = x[i - 1]! > 0 && x[i]! <= 0;
    if (up || (down && !upwardOnly)) return i - 1 + x[i - 1]! / (x[i - 1]! - x[i]!);
  }
  return null;
}

export function rangeOver(x: ArrayLike<number>, from: number, to: number): number {
  let [low, high] = [Infinity, -Infinity];
  for (let i = Math.ceil(from); i <= to; i++) {
    low = Math.min(low, x[i]!);
    high = Math.max(high, x[i]!);
  }
  return high - low;
}

export function meanOver(x: ArrayLike<number>, from: number, to: number): number {
  let sum = 0;
  let n = 0;
  for (let i = Math.ceil(from); i <= to; i++) {
    sum += x[i]!;
    n++;
  }
  return sum / n;
}

/** Central difference per second. */
export function rate(x: ArrayLike<number>): Float64Array {
  const n = x.length;
  return Float64Array.from({ length: n }, (_, i) => {
    const [a, b] = [Math.max(i - 1, 0), Math.min(i + 1, n - 1)];
    return ((x[b]! - x[a]!) * TRUTH_HZ) / (b - a);
  });
}

/** Value between samples. */
export function interpolated(x: ArrayLike<number>, sample: number): number {
  const i = Math.min(Math.max(Math.floor(sample), 0), x.length - 2);
  return x[i]! + (x[i + 1]! - x[i]!) * (sample - i);
}
