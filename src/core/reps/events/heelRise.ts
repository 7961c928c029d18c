import { runningMedian } from "../../maths/stats";
import type { View } from "../../measures/catalogue";
import type { FootFollow } from "../../motion/footMotion";

/**
 * How far the picture of heel and ankle has moved when the heel itself is 1.5 cm up, cm: from the front, hidden behind its own
 * shoe, it shows half of its rise; from behind the shin that leans over it shows more (fit set; docs/accuracy.md).
 */
const SHOWN = { "face-on": 0.7, "down-the-line": 2.8 } as const;
/** It goes on by this much more within `SOON_MS`, or it was a shoe that rolled, cm. */
const GOES_ON = 1.2;
const SOON_MS = 170;
/** The place that it rises from is its lowest of the last while, ms. */
const BEFORE_MS = 220;
/** A likeness that fits as badly as this has lost the shoe (mean difference, 0–255). */
const LOST = 30;

/** When a standing shoe's heel rises after a time, by its picture; ms, NaN if it does not. */
export function heelRises({ times, u, residual }: FootFollow, afterMs: number, view: View): number {
  if (!times.length) return NaN;
  const smooth = runningMedian(u, 1);
  let low = NaN;
  for (let i = 1; i < times.length; i++) {
    if (times[i]! < afterMs) continue;
    if (residual[i]! > LOST || Number.isNaN(smooth[i]!)) return NaN;
    low = Infinity;
    for (let k = i; k >= 0 && times[i]! - times[k]! <= BEFORE_MS; k--) low = Math.min(low, smooth[k]!);
    const limit = low + SHOWN[view];
    if (!(smooth[i - 1]! < limit && smooth[i]! >= limit)) continue;
    const after = Array.from(smooth).filter((_, k) => times[k]! > times[i]! && times[k]! <= times[i]! + SOON_MS);
    if (after.length && Math.max(...after) - limit >= GOES_ON && Math.min(...after) >= limit - 0.15)
      return times[i - 1]! + ((times[i]! - times[i - 1]!) * (limit - smooth[i - 1]!)) / (smooth[i]! - smooth[i - 1]!);
  }
  return NaN;
}
