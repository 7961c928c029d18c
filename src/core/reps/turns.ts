import { derivative, filtfilt, lowPass } from "../maths/filter";
import type { Motion } from "../motion/motion";
import { toMs } from "./clock";

/** A turn-around of the pressure, the hands or a foot; `side` is where it turned. */
export interface Turn {
  of: "pressure" | "hands" | "foot";
  ms: number;
  side: "target" | "away";
}

/** A turn-around is a zero crossing of velocity after a low-pass at this, Hz (MOVEMENT, rep kinds). */
const TURN_HZ = 2;

/** Turn-arounds of a channel that swings by at least `least` between them. */
export function turnsOf(of: Turn["of"], m: Pick<Motion, "startMs" | "dt">, x: Float64Array, least: number): Turn[] {
  const smooth = filtfilt(lowPass(TURN_HZ, m.dt), x);
  const v = derivative(smooth, m.dt);
  const out: Turn[] = [];
  let before = smooth[0]!;
  for (let i = 1; i < x.length; i++) {
    if (v[i - 1]! === 0 || Math.sign(v[i]!) === Math.sign(v[i - 1]!)) continue;
    if (Math.abs(smooth[i]! - before) < least) continue;
    before = smooth[i]!;
    out.push({ of, ms: toMs(m, i - 1 + v[i - 1]! / (v[i - 1]! - v[i]!)), side: v[i - 1]! > 0 ? "target" : "away" });
  }
  return out;
}
