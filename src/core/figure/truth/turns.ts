import { TRUTH_HZ } from "../simulate";

/**
 * A turn-around: an extremum of a channel without what is quicker than 2 Hz (docs/movement.md).
 * `side` is where it turned. Found in another way than the measures find theirs (another filter, no
 * velocity), so that no fault is in both.
 */
export interface TurnTruth {
  of: "pressure" | "hands" | "foot";
  /** Sample, between two of them. */
  at: number;
  side: "target" | "away";
}

/**
 * Smooths by a Gaussian that halves a movement of `hz`, as the measures' low-pass does (−6 dB);
 * beyond its ends a channel stays where it is.
 */
export function smoothed(x: Float64Array, hz: number): Float64Array {
  const sigma = (Math.sqrt(Math.LN2 / 2) / (Math.PI * hz)) * TRUTH_HZ;
  const half = Math.ceil(4 * sigma);
  const weights = Float64Array.from({ length: 2 * half + 1 }, (_, k) =>
    Math.exp(-((k - half) ** 2) / (2 * sigma ** 2)),
  );
  const sum = weights.reduce((a, w) => a + w, 0);
  const last = x.length - 1;
  return x.map((_, i) =>
    weights.reduce((a, w, k) => a + (w / sum) * x[Math.min(last, Math.max(0, i + k - half))]!, 0),
  );
}

/** Turn-arounds of a channel along T that swings by more than `least`, between two samples. */
export function exactTurns(
  name: "pressure" | "hands",
  x: Float64Array,
  from: number,
  to: number,
  least: number,
): TurnTruth[] {
  const smooth = smoothed(x, 2);
  const first = Math.ceil(from);
  const out: TurnTruth[] = [];
  let before = smooth[first]!;
  for (let i = first + 1; i < to && i + 1 < x.length; i++) {
    const [a, b, c] = [smooth[i - 1]!, smooth[i]!, smooth[i + 1]!];
    const isPeak = b > a && b >= c;
    if (!isPeak && !(b < a && b <= c)) continue;
    if (Math.abs(b - before) < least) continue;
    before = b;
    // The vertex of the parabola through the three.
    out.push({
      of: name,
      at: i + (a - c) / (2 * (a - 2 * b + c)),
      side: isPeak ? "target" : "away",
    });
  }
  return out;
}
