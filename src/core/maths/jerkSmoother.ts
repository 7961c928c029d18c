/**
 * Position, velocity and acceleration of a moving thing from noisy positions: Kalman filter with a
 * white-jerk model and Rauch–Tung–Striebel smoothing. The gain settles to a constant within a few
 * tenths of a second, so the covariance is the same for every track of one spacing: it is worked
 * out once and used for any number of tracks.
 */
export class JerkSmoother {
  private readonly predicted: Float64Array;
  private readonly filtered: Float64Array;
  private readonly gains: Float64Array;
  private readonly smoother: Float64Array;
  private readonly kept = new WeakMap<Float64Array, Smoothed>();

  /**
   * @param n samples a track
   * @param dt spacing, s
   * @param jerk spectral density of the jerk, (unit/s³)/√Hz
   * @param sd standard deviation of one position
   */
  constructor(
    readonly n: number,
    readonly dt: number,
    jerk: number,
    sd: number,
  ) {
    const q = jerk * jerk;
    const d = dt;
    const Q = [
      (q * d ** 5) / 20,
      (q * d ** 4) / 8,
      (q * d ** 3) / 6,
      (q * d ** 4) / 8,
      (q * d ** 3) / 3,
      (q * d * d) / 2,
      (q * d ** 3) / 6,
      (q * d * d) / 2,
      q * d,
    ];
    const F = [1, d, (d * d) / 2, 0, 1, d, 0, 0, 1];
    const Ft = transpose(F);
    this.gains = new Float64Array(n * 3);
    this.smoother = new Float64Array(n * 9);
    this.predicted = new Float64Array(n * 3);
    this.filtered = new Float64Array(n * 3);
    let P = [1e2, 0, 0, 0, 1e4, 0, 0, 0, 1e5];
    let settled = -1;
    for (let i = 0; i < n; i++) {
      if (settled >= 0) {
        // Constant from here on: the same gains for every sample that follows.
        this.gains.copyWithin(i * 3, (i - 1) * 3, i * 3);
        if (i > settled + 1) this.smoother.copyWithin((i - 1) * 9, (i - 2) * 9, (i - 1) * 9);
        continue;
      }
      const before = P;
      const prior = i === 0 ? P : add(multiply(multiply(F, P), Ft), Q);
      if (i > 0) this.smoother.set(multiply(multiply(before, Ft), invert(prior)), (i - 1) * 9);
      const s = prior[0]! + sd * sd;
      const k = [prior[0]! / s, prior[3]! / s, prior[6]! / s];
      this.gains.set(k, i * 3);
      P = prior.map((v, j) => v - k[Math.floor(j / 3)]! * prior[j % 3]!);
      if (i > 1 && P.every((v, j) => Math.abs(v - before[j]!) <= 1e-6 * Math.abs(v)))
        settled = i - 1;
    }
  }

  /**
   * One track of `n` positions, smoothed; kept for as long as the track is, which nobody writes
   * into any more.
   */
  smoothed(x: Float64Array): Smoothed {
    let found = this.kept.get(x);
    if (!found) this.kept.set(x, (found = this.run(x)));
    return found;
  }

  private run(x: Float64Array): Smoothed {
    const position = new Float64Array(this.n);
    const acceleration = new Float64Array(this.n);
    const { n, dt, predicted: p, filtered: f, gains: k, smoother: c } = this;
    let [a, b, g] = [x[0]!, 0, 0];
    for (let i = 0; i < n; i++) {
      const j = i * 3;
      if (i > 0) {
        a += b * dt + (g * dt * dt) / 2;
        b += g * dt;
      }
      p[j] = a;
      p[j + 1] = b;
      p[j + 2] = g;
      const e = x[i]! - a;
      a += k[j]! * e;
      b += k[j + 1]! * e;
      g += k[j + 2]! * e;
      f[j] = a;
      f[j + 1] = b;
      f[j + 2] = g;
    }
    position[n - 1] = a;
    acceleration[n - 1] = g;
    for (let i = n - 2; i >= 0; i--) {
      const j = i * 3;
      const m = i * 9;
      const da = a - p[j + 3]!;
      const db = b - p[j + 4]!;
      const dg = g - p[j + 5]!;
      a = f[j]! + c[m]! * da + c[m + 1]! * db + c[m + 2]! * dg;
      b = f[j + 1]! + c[m + 3]! * da + c[m + 4]! * db + c[m + 5]! * dg;
      g = f[j + 2]! + c[m + 6]! * da + c[m + 7]! * db + c[m + 8]! * dg;
      position[i] = a;
      acceleration[i] = g;
    }
    return { position, acceleration };
  }
}

/** Position in the track's unit, acceleration in unit/s². */
export interface Smoothed {
  position: Float64Array;
  acceleration: Float64Array;
}

type M = number[];
const transpose = (m: M): M => [m[0]!, m[3]!, m[6]!, m[1]!, m[4]!, m[7]!, m[2]!, m[5]!, m[8]!];
const add = (a: M, b: M): M => a.map((v, i) => v + b[i]!);
const multiply = (a: M, b: M): M =>
  Array.from({ length: 9 }, (_, i) => {
    const r = Math.floor(i / 3) * 3;
    const c = i % 3;
    return a[r]! * b[c]! + a[r + 1]! * b[c + 3]! + a[r + 2]! * b[c + 6]!;
  });

function invert(m: M): M {
  const [a, b, c, d, e, f, g, h, i] = m as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  return [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    a * e - b * d,
  ].map((v) => v / det);
}
