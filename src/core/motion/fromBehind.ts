import { type LowPass, filtfilt, runningMedian } from "../maths";
import type { Scene } from "../scene";
import { type Track, OUTLINE } from "../track";
import { Clock, shifted } from "./outline";

/**
 * Seen down the line: the rear edge of the outline at hip height, and the slope of the back from
 * its edges at 30 % and 80 % of the way from hips to shoulders (lower rows are spoiled by the
 * buttocks; docs/decisions/26). The network's own hips lie many centimetres too far forward in
 * a bent posture and serve only to bridge gaps.
 */
export function fromBehind(
  track: Track,
  scene: Scene,
  toT: (x: number) => number,
  clock: Clock,
  hipU: Float64Array,
  shoulderU: Float64Array,
  hip: Float64Array,
  position: LowPass,
) {
  const n = track.times.length;
  const column = (edge: number) => (scene.targetSign === 1 ? edge * 2 : edge * 2 + 1);
  const edge = (k: number) =>
    Float64Array.from({ length: n }, (_, i) => toT(track.outline[i * OUTLINE + column(k)]!));
  const follow = (x: Float64Array) => filtfilt(position, runningMedian(shifted(hip, clock, x), 2));
  const [low, high] = [follow(edge(2)), follow(edge(3))];
  return {
    rear: follow(edge(0)),
    bend: low.map(
      (v, i) => (Math.atan2(high[i]! - v, 0.5 * (shoulderU[i]! - hipU[i]!)) * 180) / Math.PI,
    ),
  };
}
