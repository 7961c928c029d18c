import { quantile } from "../maths";
import { at, POINT, type Track } from "./track";

/**
 * Height of the ears over the heels when a person stands up straight, as a share of stature
 * (figure/anthropometry: ears 0.93, heels at the ground).
 */
const EARS_UPRIGHT = 0.92;

/**
 * Rough height of the golfer in the picture, px: from the upper range of ears over heels. Sizes
 * search windows, never a measure.
 */
export function statureInPx(track: Pick<Track, "landmarks" | "times">): number {
  const { landmarks } = track;
  const y = (i: number, p: number) => landmarks[at(i, p) + 1]!;
  const heights = Array.from(
    track.times,
    (_, i) =>
      (y(i, POINT.leftHeel) + y(i, POINT.rightHeel)) / 2 -
      (y(i, POINT.leftEar) + y(i, POINT.rightEar)) / 2,
  );
  return quantile(heights, 0.9) / EARS_UPRIGHT;
}
