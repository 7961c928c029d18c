import type { Rep } from "../reps";

/** Time of the strike, or of what stands for it in a gesture. */
export const struck = (rep: Rep): number =>
  Number.isNaN(rep.events.impact) ? rep.events.release : rep.events.impact;

/** Smallest and largest value of a channel between two samples, and where. */
export function extremes(
  x: ArrayLike<number>,
  from: number,
  to: number,
): { low: number; high: number; lowAt: number; highAt: number } {
  let [lowAt, highAt] = [from, from];
  for (let i = from; i <= to; i++) {
    if (x[i]! < x[lowAt]!) lowAt = i;
    if (x[i]! > x[highAt]!) highAt = i;
  }
  return { low: x[lowAt]!, high: x[highAt]!, lowAt, highAt };
}

export const range = (x: ArrayLike<number>, from: number, to: number): number => {
  const e = extremes(x, from, to);
  return e.high - e.low;
};
