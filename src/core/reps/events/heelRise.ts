import { runningMedian } from "../../maths";
import type { FootFollow } from "../../motion";

/**
 * How far the upper of a shoe, seen from the front, has risen when its heel is 1.5 cm up, cm (fit
 * set; docs/decisions/08).
 */
export const SHOWN = 0.7;
/**
 * It goes on by this much more within `SOON_MS` and does not come back, or it was a shoe that
 * rolled, cm.
 */
const GOES_ON = 0.7;
const BACK = 0.15;
const SOON_MS = 100;
/** The place that it rises from is its lowest of the last while, ms. */
const BEFORE_MS = 220;
/** A likeness that fits as badly as this has lost the shoe (mean difference, 0–255). */
const LOST = 30;
/** Pictures in which it was not found may lie between two in which it was, for this long, ms. */
const GAP_MS = 70;
/**
 * A shoe that stands moves by less than this from one picture to the next, cm: a likeness that jumps
 * farther has slipped onto the ground, which stays (fit set: 0.25 while one stood, 0.56 as one
 * slipped).
 */
const SLIPS = 0.35;
/** Fewer pictures than this do not tell that it goes on. */
const FEWEST = 2;

/** When a standing shoe's heel rises after a time, by its picture; ms, NaN if it does not. */
export function heelRises(rise: FootFollow, afterMs: number): number {
  const { times, u } = followed(rise);
  for (let i = 1; i < times.length; i++) {
    const [t, before] = [times[i]!, times[i - 1]!];
    if (t < afterMs) continue;
    const low = Math.min(...u.filter((_, k) => k < i && before - times[k]! <= BEFORE_MS), u[i]!);
    const limit = low + SHOWN;
    if (!(u[i - 1]! < limit && u[i]! >= limit)) continue;
    // It rose while it was not seen.
    if (t - before > GAP_MS) return NaN;
    const after = u.filter((_, k) => times[k]! > t && times[k]! <= t + SOON_MS);
    if (
      after.length >= FEWEST &&
      Math.max(...after) - limit >= GOES_ON &&
      Math.min(...after) >= limit - BACK
    )
      return before + ((t - before) * (limit - u[i - 1]!)) / (u[i]! - u[i - 1]!);
  }
  return NaN;
}

/**
 * Whether a standing shoe was seen, without a gap, not to rise from its likeness on to a time: its
 * heel is then still down.
 */
export function heelStays(rise: FootFollow, untilMs: number): boolean {
  const { times, u } = followed(rise);
  const last = times.findLastIndex((t) => t <= untilMs);
  if (last < FEWEST || untilMs - times[last]! > GAP_MS) return false;
  let low = u[0]!;
  for (let i = 1; i <= last; i++) {
    if (
      times[i]! - times[i - 1]! > GAP_MS ||
      u[i]! - low >= SHOWN ||
      Math.abs(u[i]! - u[i - 1]!) > SLIPS
    )
      return false;
    low = Math.min(low, u[i]!);
  }
  return true;
}

/** The pictures in which the shoe was found, up to where it was lost. */
function followed({ times, u, residual }: FootFollow): { times: number[]; u: number[] } {
  const lost = residual.findIndex((r) => r > LOST);
  const seen = Array.from(times.keys()).filter(
    (k) => (lost < 0 || k < lost) && !Number.isNaN(u[k]!),
  );
  return {
    times: seen.map((k) => times[k]!),
    u: Array.from(
      runningMedian(
        seen.map((k) => u[k]!),
        1,
      ),
    ),
  };
}
