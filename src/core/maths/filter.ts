/** Second-order Butterworth low-pass run forward and backward (zero lag; −6 dB at the cut-off). */
export interface LowPass {
  b: [number, number, number];
  a: [number, number];
}

/**
 * @param cutHz cut-off, Hz; one near half the sample rate or over it is lowered to 0.49 of that
 *   rate, which passes all but an alternation from sample to sample
 * @param dt sample spacing, s
 */
export function lowPass(cutHz: number, dt: number): LowPass {
  const k = Math.tan(Math.PI * Math.min(cutHz * dt, 0.49));
  const q = Math.SQRT1_2;
  const norm = 1 / (1 + k / q + k * k);
  return {
    b: [k * k * norm, 2 * k * k * norm, k * k * norm],
    a: [2 * (k * k - 1) * norm, (1 - k / q + k * k) * norm],
  };
}

/**
 * Zero-lag filtering; the ends are extended by odd reflection so that they neither sag nor ring.
 *
 * @example filtfilt(lowPass(6, 1 / 60), hipT)
 */
export function filtfilt(f: LowPass, x: Float64Array): Float64Array {
  const n = x.length;
  const pad = Math.min(n - 1, 60);
  const ext = new Float64Array(n + 2 * pad);
  for (let i = 0; i < pad; i++) {
    ext[i] = 2 * x[0]! - x[pad - i]!;
    ext[n + pad + i] = 2 * x[n - 1]! - x[n - 2 - i]!;
  }
  ext.set(x, pad);
  once(f, ext);
  ext.reverse();
  once(f, ext);
  ext.reverse();
  return ext.slice(pad, pad + n);
}

function once({ b, a }: LowPass, x: Float64Array): void {
  let x1 = x[0]!;
  let x2 = x1;
  let y1 = x1;
  let y2 = x1;
  for (let i = 0; i < x.length; i++) {
    const v = x[i]!;
    const y = b[0] * v + b[1] * x1 + b[2] * x2 - a[0] * y1 - a[1] * y2;
    x2 = x1;
    x1 = v;
    y2 = y1;
    y1 = y;
    x[i] = y;
  }
}

/** Central difference, per second; one-sided at the ends. */
export function derivative(x: Float64Array, dt: number): Float64Array {
  const n = x.length;
  const out = new Float64Array(n);
  for (let i = 1; i < n - 1; i++) out[i] = (x[i + 1]! - x[i - 1]!) / (2 * dt);
  if (n > 1) {
    out[0] = (x[1]! - x[0]!) / dt;
    out[n - 1] = (x[n - 1]! - x[n - 2]!) / dt;
  }
  return out;
}

/**
 * Puts values given at `times` (rising) on a uniform clock, linear between neighbours, the end
 * values beyond; NaN are bridged.
 */
export function resample(
  times: Float64Array,
  values: ArrayLike<number>,
  start: number,
  dt: number,
  n: number,
): Float64Array {
  const out = new Float64Array(n);
  if (alreadyThere(times, values, start, dt, n)) {
    out.set(values);
    return out;
  }
  const known: number[] = [];
  for (let i = 0; i < times.length; i++) if (!Number.isNaN(values[i]!)) known.push(i);
  if (!known.length) return out.fill(NaN);
  let k = 0;
  for (let i = 0; i < n; i++) {
    const t = start + i * dt;
    while (k < known.length - 1 && times[known[k + 1]!]! <= t) k++;
    const a = known[k]!;
    const b = known[Math.min(k + 1, known.length - 1)]!;
    const span = times[b]! - times[a]!;
    const w = span > 0 ? Math.min(Math.max((t - times[a]!) / span, 0), 1) : 0;
    out[i] = values[a]! + (values[b]! - values[a]!) * w;
  }
  return out;
}

/** Fills NaN in straight lines between their neighbours, and with the nearest value at the ends. */
export const bridge = (x: Float64Array): Float64Array =>
  resample(Float64Array.from(x.keys()), x, 0, 1, x.length);

/** The values stand on the wanted clock (to a thousandth of a ms) and none is missing. */
function alreadyThere(
  times: Float64Array,
  values: ArrayLike<number>,
  start: number,
  dt: number,
  n: number,
): boolean {
  if (times.length !== n) return false;
  for (let i = 0; i < n; i++)
    if (Number.isNaN(values[i]!) || Math.abs(times[i]! - start - i * dt) > 1e-3) return false;
  return true;
}
