import { filtfilt, lowPass } from "../../maths";
import { TRUTH_HZ } from "../simulate";
import { rate } from "./search";

/**
 * A turn-around: zero crossing of a channel's velocity after a 2 Hz low-pass. `to` is the side it
 * turned at.
 */
export interface TurnTruth {
  of: "pressure" | "hands" | "foot";
  /** Sample, between two of them. */
  at: number;
  side: "target" | "away";
}

export const lowPassed = (x: Float64Array, hz: number): Float64Array =>
  filtfilt(lowPass(hz, 1 / TRUTH_HZ), x);

/** Turn-arounds of a channel along T that swings by more than `least`, between two samples. */
export function exactTurns(
  name: "pressure" | "hands",
  x: Float64Array,
  from: number,
  to: number,
  least: number,
): TurnTruth[] {
  const smooth = lowPassed(x, 2);
  const v = rate(smooth);
  const out: TurnTruth[] = [];
  let before = smooth[Math.ceil(from)]!;
  for (let i = Math.ceil(from) + 1; i <= to; i++) {
    if (v[i - 1]! === 0 || Math.sign(v[i]!) === Math.sign(v[i - 1]!)) continue;
    if (Math.abs(smooth[i]! - before) < least) continue;
    before = smooth[i]!;
    out.push({
      of: name,
      at: i - 1 + v[i - 1]! / (v[i - 1]! - v[i]!),
      side: v[i - 1]! > 0 ? "target" : "away",
    });
  }
  return out;
}
