import { bridge, halfSampleMode, runningMedian } from "../maths";
import type { Scene } from "../scene";
import { type Track, OUTLINE } from "../track";
import { MOTION_FIT } from "./fitted";

/** Values of a track's frames on the motion's clock. */
export type Clock = (values: ArrayLike<number>) => Float64Array;

/**
 * Mid-hip from the outline: the middle of the body at hip height, where its width is near its usual
 * one. Elsewhere (hands or club beside the hips) the network's own mid-hip, shifted by the
 * difference on both sides of the gap.
 */
export function outlineHip(
  track: Track,
  scene: Scene,
  network: Float64Array,
  toT: (x: number) => number,
  clock: Clock,
): Float64Array {
  const n = track.times.length;
  const width = Float64Array.from(
    { length: n },
    (_, i) => track.outline[i * OUTLINE + 1]! - track.outline[i * OUTLINE]!,
  );
  const still = scene.still ?? { from: 0, to: n - 1 };
  const usual = halfSampleMode(
    width.slice(still.from, still.to + 1).filter((w) => !Number.isNaN(w)),
  );
  const offset = Float64Array.from({ length: n }, (_, i) => {
    const ratio = width[i]! / usual;
    if (!(ratio >= 0.72 && ratio <= MOTION_FIT.hipsWidest)) return NaN;
    return toT((track.outline[i * OUTLINE]! + track.outline[i * OUTLINE + 1]!) / 2);
  });
  return shifted(network, clock, offset);
}
/**
 * The head's middle from the outline at ear height; the ears themselves move when the head only
 * turns.
 */
export function outlineHead(
  track: Track,
  network: Float64Array,
  toT: (x: number) => number,
  clock: Clock,
): { t: Float64Array; hidden: Float64Array } {
  const n = track.times.length;
  const width = Float64Array.from(
    { length: n },
    (_, i) => track.outline[i * OUTLINE + 3]! - track.outline[i * OUTLINE + 2]!,
  );
  const usual = halfSampleMode(width.filter((w) => !Number.isNaN(w)));
  const middle = Float64Array.from({ length: n }, (_, i) => {
    const ratio = width[i]! / usual;
    return ratio >= 0.75 && ratio <= 1.3
      ? toT((track.outline[i * OUTLINE + 2]! + track.outline[i * OUTLINE + 3]!) / 2)
      : NaN;
  });
  // Where the outline never tells the head nothing is known to hide it.
  return {
    t: shifted(network, clock, middle),
    hidden: hardlyKnown(middle) ? new Float64Array(network.length) : inGaps(clock, middle),
  };
}
/** A channel known in fewer pictures than this share of them is left out. */
const LEAST_KNOWN = 0.2;
const hardlyKnown = (better: Float64Array): boolean =>
  better.filter((v) => !Number.isNaN(v)).length < better.length * LEAST_KNOWN;
/** 1 on the clock where a channel is not known, else 0. */
const inGaps = (clock: Clock, better: Float64Array): Float64Array =>
  clock(better.map((v) => (Number.isNaN(v) ? 1 : 0))).map((v) => (v > 0 ? 1 : 0));
/**
 * The better channel where it is known; across gaps the network's own, shifted by the difference on
 * both sides.
 */

export function shifted(network: Float64Array, clock: Clock, better: Float64Array): Float64Array {
  if (hardlyKnown(better)) return network;
  const onClock = clock(better);
  const missing = inGaps(clock, better);
  const offset = runningMedian(
    bridge(onClock.map((v, i) => (missing[i]! > 0 ? NaN : v - network[i]!))),
    2,
  );
  return network.map((v, i) => v + offset[i]!);
}
