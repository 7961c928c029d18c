/** For each output along one axis: its first source sample and `taps` weights, which sum to 1. */
export interface Axis {
  from: Int32Array;
  taps: number;
  weight: Float32Array;
}

/**
 * Where the samples at hand lie in the whole axis: from `left`, `length` of them, in reverse when
 * `flipped`.
 */
export interface AtHand {
  left: number;
  length: number;
  flipped: boolean;
}

/**
 * Which source samples, with what weight, make each of `n` outputs of a span (a box filter: every
 * sample counts by the share of it that an output covers); beyond the ends the end sample counts.
 *
 * @param start @param size the span, in samples of the whole axis
 * @param length samples of the whole axis
 * @returns the axis in samples at hand
 * @throws RangeError when a sample that counts is not at hand
 */
export function boxAxis(
  n: number,
  start: number,
  size: number,
  length: number,
  { left, length: there, flipped }: AtHand,
): Axis {
  const step = size / n;
  const box = Math.max(step, 1);
  const taps = Math.min(Math.floor(box) + 2, there);
  const from = new Int32Array(n);
  const weight = new Float32Array(n * taps);
  for (let i = 0; i < n; i++) {
    const centre = start + (i + 0.5) * step;
    const low = Math.min(Math.max(centre - box / 2, 0), length - 1e-6);
    const high = Math.min(Math.max(centre + box / 2, low + 1e-6), length);
    const first = Math.floor(low);
    const last = Math.min(Math.ceil(high) - 1, length - 1);
    const begin = Math.min(
      Math.max(flipped ? there - 1 - (last - left) : first - left, 0),
      there - taps,
    );
    from[i] = begin;
    for (let k = first; k <= last; k++) {
      const at = (flipped ? there - 1 - (k - left) : k - left) - begin;
      if (at < 0 || at >= taps) throw new RangeError(`sample ${k} of ${length} is not at hand`);
      weight[i * taps + at] = Math.max(0, Math.min(k + 1, high) - Math.max(k, low)) / (high - low);
    }
  }
  return { from, taps, weight };
}

/** Share of each of `n` outputs of a span that is inside an axis of `length`. */
export function inside(n: number, start: number, size: number, length: number): Float32Array {
  const step = size / n;
  return Float32Array.from({ length: n }, (_, i) => {
    const low = start + i * step;
    return Math.max(0, Math.min(low + step, length) - Math.max(low, 0)) / step;
  });
}
