/** A knot of a curve: time (s), value, and, where they matter, slope (per s) and bend (per s²). */
export type Knot = readonly [t: number, value: number, slope?: number, bend?: number];

/** A smooth function of time. */
export type Curve = (tSeconds: number) => number;

/**
 * A curve with continuous speed and acceleration through knots, constant before the first and after
 * the last: quintic Hermite pieces. Slopes that are left out are zero at ends and turning points
 * and the harmonic mean of the neighbouring secants elsewhere (so a curve never overshoots its
 * knots' trend); bends that are left out are zero.
 *
 * @throws RangeError when the knots' times do not rise
 * @example
 * const shift = curve([[0, 0], [1, 10]]);
 * shift(-1); // 0
 * shift(0.5); // 5
 */
export function curve(knots: readonly Knot[]): Curve {
  if (knots.length === 0) throw new RangeError("a curve needs at least one knot");
  for (let i = 1; i < knots.length; i++)
    if (!(knots[i]![0] > knots[i - 1]![0]))
      throw new RangeError(
        `a curve's knots must rise in time, got ${knots[i]![0]} s after ${knots[i - 1]![0]} s`,
      );
  const slopes = knots.map((k, i) => k[2] ?? secantMean(knots, i));
  return (t) => {
    const first = knots[0]!;
    const last = knots[knots.length - 1]!;
    if (t <= first[0]) return first[1];
    if (t >= last[0]) return last[1];
    let i = 0;
    while (knots[i + 1]![0] < t) i++;
    return quintic(knots[i]!, knots[i + 1]!, slopes[i]!, slopes[i + 1]!, t);
  };
}

function secantMean(knots: readonly Knot[], i: number): number {
  if (i === 0 || i === knots.length - 1) return 0;
  const [t0, v0] = knots[i - 1]!;
  const [t1, v1] = knots[i]!;
  const [t2, v2] = knots[i + 1]!;
  const before = (v1 - v0) / (t1 - t0);
  const after = (v2 - v1) / (t2 - t1);
  return before * after <= 0 ? 0 : (2 * before * after) / (before + after);
}

function quintic(a: Knot, b: Knot, slopeA: number, slopeB: number, t: number): number {
  const h = b[0] - a[0];
  const s = (t - a[0]) / h;
  const s3 = s * s * s;
  const s4 = s3 * s;
  const s5 = s4 * s;
  const rise = b[1] - a[1];
  const da = slopeA * h;
  const db = slopeB * h;
  const ca = (a[3] ?? 0) * h * h;
  const cb = (b[3] ?? 0) * h * h;
  return (
    a[1] +
    da * s +
    (ca / 2) * s * s +
    (10 * rise - 6 * da - 4 * db - 1.5 * ca + 0.5 * cb) * s3 +
    (-15 * rise + 8 * da + 7 * db + 1.5 * ca - cb) * s4 +
    (6 * rise - 3 * (da + db) - 0.5 * ca + 0.5 * cb) * s5
  );
}
