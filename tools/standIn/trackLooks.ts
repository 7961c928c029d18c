import { statureInPx } from "../../src/core/track/bodySize";
import { at, POINT, POINTS, type Track } from "../../src/core/track/track";
import type { RecordedLooks } from "./recordedLooks";
import { CROP_SIDE, MASK_SIZE } from "../../src/vision/network/poseNetwork";

/**
 * A track as a recording of the network: its points, in the square that they were seen in; no
 * outline.
 */
export function trackLooks(track: Track): RecordedLooks {
  const tall = statureInPx(track);
  const { crop: square } = track;
  const inCrop = (v: number, c: number) => ((v - c) / square.size + 0.5) * CROP_SIDE;
  return {
    times: track.times,
    look(i) {
      const points = new Float32Array(39 * 5);
      const put = (p: number, x: number, y: number) =>
        points.set([inCrop(x, square.cx), inCrop(y, square.cy), 0, 6, 6], p * 5);
      for (let p = 0; p < POINTS; p++)
        put(p, track.landmarks[at(i, p)]!, track.landmarks[at(i, p) + 1]!);
      // The middle of the hips, and a point on the circle round the body: what the next square is
      // made of.
      const hip = (axis: 0 | 1) =>
        (track.landmarks[at(i, POINT.leftHip) + axis]! +
          track.landmarks[at(i, POINT.rightHip) + axis]!) /
        2;
      put(33, hip(0), hip(1));
      put(34, hip(0), hip(1) - 0.55 * tall);
      return { square, points, presence: 1, mask: new Int8Array(MASK_SIZE).fill(-127) };
    },
  };
}
