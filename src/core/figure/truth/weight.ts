import { interpolated, indexOfMax, sampleCount } from "./search";
import { near, type Put, type RepCase } from "./repCase";
import { stillShare } from "./swingEvents";

import { capital } from "./capital";

/** Weight between the feet. */
export function weight({ e, leadShare, feet, rep, turns }: RepCase, put: Put): void {
  const a = e.address!;
  put("leadShareAddress", stillShare(leadShare, a, rep.movingStart ?? false));
  for (const name of ["top", "impact", "release", "finish"] as const)
    if (e[name] !== undefined) put(`leadShare${capital(name)}`, interpolated(leadShare, e[name]));
  const { handStart, top } = e;
  const hit = e.impact ?? e.release;
  if (handStart !== undefined) {
    const from = Math.max(a - sampleCount(1000), Math.floor(handStart) - sampleCount(1000), 0);
    put("leadSharePeakBeforeHands", leadShare[indexOfMax(leadShare, from, handStart)]);
  }
  if (top === undefined) return;
  let [peak, peakAt] = [-1, a];
  for (let i = Math.ceil(handStart ?? a); i <= top; i++)
    if (!feet.lead.air[i] && !feet.trail.air[i] && 100 - leadShare[i]! > peak)
      [peak, peakAt] = [100 - leadShare[i]!, i];
  if (peak >= 0) {
    put("trailSharePeak", peak);
    put("trailSharePeakAt", ((peakAt - a) / (top - a)) * 100);
  }
  put("shareReversals", reversals(leadShare, Math.min(a, e.groundStart ?? a), near(top)));
  if (hit !== undefined) {
    let rise = 0;
    for (let i = near(top); i + sampleCount(100) <= hit; i++)
      rise = Math.max(rise, leadShare[i + sampleCount(100)]! - leadShare[i]!);
    put("loadRate", rise);
  }
  const beats = turns
    .filter(
      (t) =>
        t.of === "pressure" && t.at > a - sampleCount(200) && (hit === undefined || t.at < hit),
    )
    .map((t) => t.at);
  if (beats.length >= 3) {
    const last = beats.slice(-3);
    const gaps = [last[1]! - last[0]!, last[2]! - last[1]!];
    const middle = (gaps[0]! + gaps[1]!) / 2;
    put("beatSpread", (Math.abs(gaps[0]! - gaps[1]!) / Math.SQRT2 / middle) * 100);
  }
}

/** How many times a share turns by at least 15 points. */
function reversals(share: ArrayLike<number>, from: number, to: number): number {
  let [low, high, direction, count] = [share[from]!, share[from]!, 0, 0];
  for (let i = from; i <= to; i++) {
    low = Math.min(low, share[i]!);
    high = Math.max(high, share[i]!);
    if (direction >= 0 && high - share[i]! >= 15) {
      if (direction > 0 || high - share[from]! >= 15) count++;
      direction = -1;
      [low, high] = [share[i]!, share[i]!];
    } else if (direction <= 0 && share[i]! - low >= 15) {
      if (direction < 0 || share[from]! - low >= 15) count++;
      direction = 1;
      [low, high] = [share[i]!, share[i]!];
    }
  }
  return count;
}
