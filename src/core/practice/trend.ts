import { median } from "../maths";

/** One day's value of something: its middle, in its own unit. */
export interface DayValue {
  /** Days since any day. */
  day: number;
  value: number;
}

export type Trend =
  /** Too few days, or nothing that the spread from day to day does not make by itself. */
  | { kind: "none" }
  /** It goes one way: so much a week, in the value's unit. */
  | { kind: "slope"; perWeek: number }
  /** Since a day it is another: the middles before and from it. */
  | { kind: "step"; day: number; before: number; after: number };

/**
 * Fewer days than this carry no trend: the normal approximation of the test needs as many (Gilbert,
 * Statistical Methods for Environmental Pollution Monitoring, 1987: ten; eight with ties counted).
 */
const LEAST_DAYS = 8;
/** A trend is said when chance would make it once in twenty. */
const Z = 1.959964;
const P = 0.05;

/**
 * What a row of days carries: a step where one explains it better than a slope, a slope, or
 * nothing.
 *
 * @param days in order, each day once
 */
export function trendOf(days: readonly DayValue[]): Trend {
  if (days.length < LEAST_DAYS || Math.abs(mannKendall(days.map((d) => d.value))) < Z)
    return { kind: "none" };
  const slope = theilSen(days);
  const step = pettitt(days.map((d) => d.value));
  if (step.p < P) {
    const [before, after] = [days.slice(0, step.at), days.slice(step.at)].map((part) =>
      median(part.map((d) => d.value)),
    ) as [number, number];
    const middle = median(days.map((d) => d.value - slope * d.day));
    const off = (of: (d: DayValue, i: number) => number) =>
      days.reduce((sum, d, i) => sum + Math.abs(d.value - of(d, i)), 0);
    if (off((_, i) => (i < step.at ? before : after)) < off((d) => middle + slope * d.day))
      return { kind: "step", day: days[step.at]!.day, before, after };
  }
  return slope === 0 ? { kind: "none" } : { kind: "slope", perWeek: 7 * slope };
}

/**
 * Mann and Kendall's test of a row for going one way: its standard score, ties counted (Kendall,
 * Rank Correlation Methods, 1975).
 */
export function mannKendall(x: readonly number[]): number {
  const n = x.length;
  let s = 0;
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) s += Math.sign(x[j]! - x[i]!);
  const ties = new Map<number, number>();
  for (const v of x) ties.set(v, (ties.get(v) ?? 0) + 1);
  const variance =
    (n * (n - 1) * (2 * n + 5) -
      [...ties.values()].reduce((sum, t) => sum + t * (t - 1) * (2 * t + 5), 0)) /
    18;
  return variance > 0 ? (s - Math.sign(s)) / Math.sqrt(variance) : 0;
}

/** The middle of all slopes between two days (Theil, 1950; Sen, 1968), unit a day. */
export function theilSen(days: readonly DayValue[]): number {
  const slopes: number[] = [];
  for (let i = 0; i < days.length; i++)
    for (let j = i + 1; j < days.length; j++)
      if (days[j]!.day !== days[i]!.day)
        slopes.push((days[j]!.value - days[i]!.value) / (days[j]!.day - days[i]!.day));
  return slopes.length ? median(slopes) : 0;
}

/**
 * Where a row most likely steps from one level to another, and how likely chance makes as much
 * (Pettitt, Applied Statistics 28, 1979). @returns `at` the first of the later level
 */
function pettitt(x: readonly number[]): { at: number; p: number } {
  const n = x.length;
  let [best, at, u] = [0, 0, 0];
  for (let t = 1; t < n; t++) {
    // Of the values before `t` against all others; among themselves they cancel.
    for (let j = 0; j < n; j++) u += Math.sign(x[j]! - x[t - 1]!);
    if (Math.abs(u) > best) [best, at] = [Math.abs(u), t];
  }
  return { at, p: Math.min(1, 2 * Math.exp((-6 * best ** 2) / (n ** 3 + n ** 2))) };
}
