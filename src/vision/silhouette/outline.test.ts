import { expect, it } from "vitest";
import { POINT, POINTS, STRIDE } from "../../core/track/track";
import { readOutline } from "./outline";

const square = { cx: 640, cy: 360, size: 512 };

/**
 * A body as a soft-edged upright bar from mask column `left` to `right` (fractions count), and
 * points inside it.
 */
function bar(left: number, right: number) {
  const mask = Float32Array.from(
    { length: 65536 },
    (_, i) => 4 * Math.min((i % 256) + 0.5 - left, right - (i % 256) - 0.5),
  );
  const points = new Float32Array(POINTS * STRIDE);
  const put = (p: number, x: number, y: number) =>
    points.set([640 + (x / 256 - 0.5) * 512, 360 + (y / 256 - 0.5) * 512, 1, 1], p * STRIDE);
  const middle = (left + right) / 2;
  for (const [p, y] of [
    [POINT.nose, 40],
    [POINT.leftEar, 42],
    [POINT.rightEar, 42],
    [POINT.leftHip, 130],
    [POINT.rightHip, 130],
    [POINT.leftAnkle, 230],
    [POINT.rightAnkle, 230],
  ] as const)
    put(p, middle + 2, y);
  return { mask, points };
}

it("finds the body's edges at hip and head to a tenth of a mask pixel, and so its middle, whatever the points say", () => {
  for (const [left, right] of [
    [110.3, 141.8],
    [120, 136.5],
  ] as const) {
    const { mask, points } = bar(left, right);
    const out = new Float32Array(4);
    readOutline(mask, points, square, out);
    const px = (column: number) => 640 + (column / 256 - 0.5) * 512;
    for (const [k, column] of [
      [0, left],
      [1, right],
      [2, left],
      [3, right],
    ] as const)
      expect(Math.abs(out[k]! - px(column))).toBeLessThan(0.2);
  }
});

it("says nothing where the body runs on too far to be one (an arm beside the hip), or where there is no body", () => {
  const wide = bar(60, 200);
  const out = new Float32Array(4);
  readOutline(wide.mask, wide.points, square, out);
  expect([...out].every(Number.isNaN)).toBe(true);
  readOutline(new Float32Array(65536).fill(-3), bar(110, 140).points, square, out);
  expect([...out].every(Number.isNaN)).toBe(true);
});
