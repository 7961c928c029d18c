import { derivative, filtfilt, lowPass } from "../../maths/filter";

/** Speed in the picture plane, cm/s, of a place given by its T and U (cm) on a clock of spacing `dt` (s). */
export function planeSpeed(t: Float64Array, u: Float64Array, dt: number): Float64Array {
  const vt = derivative(t, dt);
  const vu = derivative(u, dt);
  return vt.map((v, i) => Math.hypot(v, vu[i]!));
}

/** The same after a zero-lag low-pass at `cutHz`. */
export function smoothSpeed(t: Float64Array, u: Float64Array, dt: number, cutHz: number): Float64Array {
  const f = lowPass(cutHz, dt);
  return planeSpeed(filtfilt(f, t), filtfilt(f, u), dt);
}
