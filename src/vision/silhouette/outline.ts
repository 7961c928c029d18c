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
 * Seen from behind the hips' edges are the outermost of the rows of the seat instead: the network's
 * hips lie 5 to 11 cm too low there, where the edge runs aside by a centimetre for each of height
 * (docs/decisions/29).
 *
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
  if (faceOn) run(hips, reach, 0);
  else {
    const ankles = middle(POINT.leftAnkle, POINT.rightAnkle);
    const row = (up: number) => toMask(ankles[1] - up * tall, square.cy, square);
    const [left, right] = seatRun(
      mask,
      toMask(hips[0], square.cx, square),
      [row(SEAT[1]), row(SEAT[0])],
      (reach * tall) / perMask,
    );
    out[0] = toPicture(left, square.cx, square);
    out[1] = toPicture(right, square.cx, square);
  }
  run(middle(POINT.leftEar, POINT.rightEar), 0.11, 2);
  run(up(0.3), reach, 4);
  run(up(0.8), reach, 6);
}

/**
 * Rows of the seat seen from behind, shares of the way from ankles to nose over the ankles: those
 * from 0.40 to 0.60 of stature over the heels.
 */
const SEAT = [0.42, 0.66] as const;
/** An edge is the mean of so large a share of the rows, the outermost ones. */
const OUTERMOST = 0.2;

/** The outermost left and right end of the mask's runs round a column, between two rows. */
function seatRun(
  mask: Float32Array,
  x: number,
  [top, bottom]: readonly [number, number],
  reach: number,
): [number, number] {
  const lefts: number[] = [];
  const rights: number[] = [];
  for (let r = Math.ceil(top); r <= Math.floor(bottom); r++) {
    const [left, right] = rowRun(mask, x, r, reach);
    if (!Number.isNaN(left)) lefts.push(left);
    if (!Number.isNaN(right)) rights.push(right);
  }
  const outermost = (ends: number[]) => {
    if (ends.length < 3) return NaN;
    const n = Math.max(1, Math.round(ends.length * OUTERMOST));
    return ends.slice(0, n).reduce((a, b) => a + b, 0) / n;
  };
  return [outermost(lefts.sort((a, b) => a - b)), outermost(rights.sort((a, b) => b - a))];
}

function medianRun(mask: Float32Array, x: number, y: number, reach: number): [number, number] {
  const lefts: number[] = [];
  const rights: number[] = [];
  for (let r = Math.round(y) - 3; r <= Math.round(y) + 3; r++) {
    const [left, right] = rowRun(mask, x, r, reach);
    if (!Number.isNaN(left)) lefts.push(left);
    if (!Number.isNaN(right)) rights.push(right);
  }
  return [middleOf(lefts), middleOf(rights)];
}

/** Ends of the mask's run round a column in one row; NaN where there is none, or beyond reach. */
function rowRun(mask: Float32Array, x: number, r: number, reach: number): [number, number] {
  const middle = Math.round(x);
  if (r < 0 || r >= CROP_SIDE || middle < 1 || middle >= CROP_SIDE - 1) return [NaN, NaN];
  const row = r * CROP_SIDE;
  if (mask[row + middle]! <= 0) return [NaN, NaN];
  const edge = (direction: 1 | -1) => {
    let c = middle;
    while (c + direction >= 0 && c + direction < CROP_SIDE && mask[row + c + direction]! > 0)
      c += direction;
    const inside = mask[row + c]!;
    const beyond = mask[row + c + direction] ?? -inside;
    const at = c + direction * edgeBetween(inside, beyond);
    return Math.abs(at - x) > reach ? NaN : at;
  };
  return [edge(-1), edge(1)];
}

function middleOf(x: number[]): number {
  if (x.length < 3) return NaN;
  x.sort((a, b) => a - b);
  return x[x.length >> 1]!;
}
