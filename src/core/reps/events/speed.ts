import { derivative, filtfilt, lowPass } from "../../maths";

/**
 * Speed in the picture plane, cm/s, of a place given by its T and U (cm) on a clock of spacing `dt`
 * (s).
 */
export function planeSpeed(t: Float64Array, u: Float64Array, dt: number): Float64Array {
  const vt = derivative(t, dt);
  const vu = derivative(u, dt);
  const out = new Float64Array(vt.length);
  // Not Math.hypot, which guards against overflow at several times the cost.
  for (let i = 0; i < out.length; i++) out[i] = Math.sqrt(vt[i]! ** 2 + vu[i]! ** 2);
  return out;
}

/** The same after a zero-lag low-pass at `cutHz`. */
export function smoothSpeed(
  t: Float64Array,
  u: Float64Array,
  dt: number,
  cutHz: number,
): Float64Array {
  const f = lowPass(cutHz, dt);
  return planeSpeed(filtfilt(f, t), filtfilt(f, u), dt);
}
