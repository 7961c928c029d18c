import type { Exact, Foot } from "./exact";

/** Change of largest size against the first sample, with its sign. */
export function largest(x: Float64Array, from: number, to: number): number {
  let most = 0;
  for (let i = from; i <= to; i++)
    if (Math.abs(x[i]! - x[from]!) > Math.abs(most)) most = x[i]! - x[from]!;
  return most;
}

/**
 * How far a part of a foot gets on the ground from where it was first, cm, counting the samples
 * that are asked for.
 */
export function travel(
  x: Exact,
  foot: Foot,
  from: number,
  to: number,
  point: "heel" | "toe",
  counts: (i: number) => boolean,
): number {
  const start = x.sim.poses[from]![foot][point];
  let most = 0;
  for (let i = from; i <= to; i++) {
    const p = x.sim.poses[i]![foot][point];
    if (counts(i)) most = Math.max(most, Math.hypot(p[0] - start[0], p[2] - start[2]));
  }
  return most;
}
