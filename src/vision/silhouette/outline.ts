import { POINT, STRIDE } from "../../core/track";
import type { Square } from "../crop";
import { CROP_SIDE } from "../network";
import { edgeBetween, toMask, toPicture } from "./maskPlace";

/**
 * Where the body's outline lies left and right of mid-hip and of the head: the run of the mask
 * around the point on seven rows, its ends found to parts of a pixel at logit 0, the median of the
 * rows. The middle of that run is a far steadier mid-hip than the network's two hip points.
 *
 * @param points this frame's 33 points (x, y, visibility, σ), px
 * @param out left and right edge at hips, ears, and 30 % and 80 % of the way from hips to
 * shoulders, px; NaN where there is no run
 */
export function readOutline(
  mask: Float32Array,
  points: Float32Array,
  square: Square,
  out: Float32Array,
  faceOn = true,
): void {
  const px = (p: number) => points[p * STRIDE]!;
  const py = (p: number) => points[p * STRIDE + 1]!;
  const tall = Math.hypot(
    px(POINT.nose) - (px(POINT.leftAnkle) + px(POINT.rightAnkle)) / 2,
    py(POINT.nose) - (py(POINT.leftAnkle) + py(POINT.rightAnkle)) / 2,
  );
  const perMask = square.size / CROP_SIDE;
  const run = (place: readonly [number, number], reach: number, into: number) => {
    const [left, right] = medianRun(
      mask,
      toMask(place[0], square.cx, square),
      toMask(place[1], square.cy, square),
      (reach * tall) / perMask,
    );
    out[into] = toPicture(left, square.cx, square);
    out[into + 1] = toPicture(right, square.cx, square);
  };
  const middle = (a: number, b: number) => [(px(a) + px(b)) / 2, (py(a) + py(b)) / 2] as const;
  const hips = middle(POINT.leftHip, POINT.rightHip);
  const shoulders = middle(POINT.leftShoulder, POINT.rightShoulder);
  const up = (s: number) =>
    [hips[0] + (shoulders[0] - hips[0]) * s, hips[1] + (shoulders[1] - hips[1]) * s] as const;
  // Seen from the side the network's hips lie far in front of the body's rear edge.
  const reach = faceOn ? 0.19 : 0.28;
  run(hips, reach, 0);
  run(middle(POINT.leftEar, POINT.rightEar), 0.11, 2);
  run(up(0.3), reach, 4);
  run(up(0.8), reach, 6);
}

function medianRun(mask: Float32Array, x: number, y: number, reach: number): [number, number] {
  const lefts: number[] = [];
  const rights: number[] = [];
  const middle = Math.round(x);
  for (let r = Math.round(y) - 3; r <= Math.round(y) + 3; r++) {
    if (r < 0 || r >= CROP_SIDE || middle < 1 || middle >= CROP_SIDE - 1) continue;
    const row = r * CROP_SIDE;
    if (mask[row + middle]! <= 0) continue;
    const edge = (direction: 1 | -1) => {
      let c = middle;
      while (c + direction >= 0 && c + direction < CROP_SIDE && mask[row + c + direction]! > 0)
        c += direction;
      const inside = mask[row + c]!;
      const beyond = mask[row + c + direction] ?? -inside;
      const at = c + direction * edgeBetween(inside, beyond);
      return Math.abs(at - x) > reach ? NaN : at;
    };
    const [l, rgt] = [edge(-1), edge(1)];
    if (!Number.isNaN(l)) lefts.push(l);
    if (!Number.isNaN(rgt)) rights.push(rgt);
  }
  return [middleOf(lefts), middleOf(rights)];
}

function middleOf(x: number[]): number {
  if (x.length < 3) return NaN;
  x.sort((a, b) => a - b);
  return x[x.length >> 1]!;
}
