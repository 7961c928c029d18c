import type { Track } from "../../src/core/track";

/**
 * A film of another one's frames in another order, or with some of them for long; at 60 a second.
 *
 * @param order numbers of the frames
 */
export function reordered(track: Track, order: readonly number[]): Track {
  const per = track.landmarks.length / track.times.length;
  const landmarks = new Float32Array(order.length * per);
  order.forEach((i, k) => landmarks.set(track.landmarks.subarray(i * per, (i + 1) * per), k * per));
  return {
    ...track,
    landmarks,
    times: Float64Array.from(order, (_, k) => (k * 1000) / 60),
    presence: Float32Array.from(order, (i) => track.presence[i]!),
  };
}
