import type { Motion } from "../motion";

/**
 * Times against samples of a motion's uniform clock. A time may lie between samples; NaN means not
 * found.
 */
export const toMs = (m: Pick<Motion, "startMs" | "dt">, sample: number): number =>
  m.startMs + sample * m.dt * 1000;
export const toSample = (m: Pick<Motion, "startMs" | "dt">, ms: number): number =>
  (ms - m.startMs) / (m.dt * 1000);

/** Nearest sample of a time, kept inside the clock. */
export const nearest = (m: Pick<Motion, "startMs" | "dt" | "n">, ms: number): number =>
  Math.min(Math.max(Math.round(toSample(m, ms)), 0), m.n - 1);

/** Value at a time, linear between samples; NaN for a time that was not found. */
export function valueAt(
  m: Pick<Motion, "startMs" | "dt" | "n">,
  x: Float64Array,
  ms: number,
): number {
  if (Number.isNaN(ms)) return NaN;
  const s = Math.min(Math.max(toSample(m, ms), 0), m.n - 1);
  const i = Math.min(Math.floor(s), m.n - 2);
  return x[i]! + (x[i + 1]! - x[i]!) * (s - i);
}

/**
 * First sample (between samples by line) at which `x` rises through `limit` in [from, to]; NaN if
 * it never does.
 */
export function risesThrough(x: Float64Array, limit: number, from: number, to: number): number {
  for (let i = Math.max(1, Math.ceil(from) + 1); i <= Math.min(to, x.length - 1); i++)
    if (x[i - 1]! <= limit && x[i]! > limit)
      return i - 1 + (limit - x[i - 1]!) / (x[i]! - x[i - 1]!);
  return NaN;
}

/**
 * Start of the first run of at least `length` samples in [from, to] for which `holds`; NaN if none.
 */
export function firstRun(
  holds: (i: number) => boolean,
  length: number,
  from: number,
  to: number,
): number {
  let run = 0;
  for (let i = Math.max(0, from); i <= to; i++) {
    run = holds(i) ? run + 1 : 0;
    if (run >= length) return i - length + 1;
  }
  return NaN;
}

/** Vertex of the parabola through `x` at i − k, i, i + k; i itself where there is none. */
export function vertex(x: Float64Array, i: number, k: number): number {
  const a = x[i - k];
  const b = x[i];
  const c = x[i + k];
  if (a === undefined || b === undefined || c === undefined || Number.isNaN(a + b + c)) return i;
  const bend = a - 2 * b + c;
  return bend === 0 ? i : i + Math.max(-k, Math.min(k, (k * (a - c)) / (2 * bend)));
}
