import { expect, it } from "vitest";
import { footEdges, maskRows } from "./footEdges";

const square = { cx: 640, cy: 360, size: 512 };
const toPicture = (column: number) => 640 + ((column + 0.5) / 256 - 0.5) * 512;
/** One centimetre is a column of the mask: two picture px. */
const CM = 2;

/** A mask with soft edges from shapes given as signed distances in columns (+ inside). */
const mask = (inside: (x: number, y: number) => number) =>
  Float32Array.from({ length: 65536 }, (_, i) => 8 * inside(i % 256, i >> 8));
const leg = (x: number) => (c: number, r: number) => Math.min(c - (x - 5), x + 5 - c, 212.3 - r);
const shoe = (from: number, to: number) => (c: number, r: number) =>
  Math.min(c - from, to - c, r - 205, 212.3 - r);
const read = (m: Float32Array, ankle: number, toe: number) =>
  footEdges(
    maskRows(m, square, 400, 540),
    square,
    [toPicture(ankle), 400 + 60],
    [toPicture(ankle), 360 + (210 / 256 - 0.5) * 512],
    [toPicture(toe), 360 + (211 / 256 - 0.5) * 512],
    CM,
  );

it("finds both ends and the lowest edge of a shoe to a fifth of a column", () => {
  const m = mask((c, r) => Math.max(leg(120)(c, r), shoe(114.4, 141.7)(c, r)));
  const [left, right, low] = read(m, 120, 138);
  expect(Math.abs(left - toPicture(114.4))).toBeLessThan(0.4);
  expect(Math.abs(right - toPicture(141.7))).toBeLessThan(0.4);
  expect(Math.abs(low - (360 + ((212.3 + 0.5) / 256 - 0.5) * 512))).toBeLessThan(0.6);
});

it("follows its own foot where two legs are seen as one", () => {
  const m = mask(
    (c, r) =>
      Math.max(leg(120)(c, r), leg(130)(c, r), shoe(96, 122)(c, r), shoe(127, 160)(c, r)) -
      (r > 203 && c > 122 && c < 127 ? 20 : 0),
  );
  expect(read(m, 121, 104)[1]).toBeLessThan(toPicture(123));
  expect(read(m, 129, 150)[0]).toBeGreaterThan(toPicture(126));
});

it("does not say where a toe ends that the mask fades on, or that touches the other foot", () => {
  const faint = (c: number, r: number) => (c > 135 && c < 152 && r > 205 && r < 211 ? 0.02 : -1);
  const m = mask((c, r) => Math.max(leg(120)(c, r), shoe(114, 135)(c, r), faint(c, r)));
  const [left, right] = read(m, 120, 138);
  expect(Math.abs(left - toPicture(114))).toBeLessThan(0.4);
  expect(right).toBeNaN();
  const joined = mask((c, r) => Math.max(leg(120)(c, r), shoe(114, 180)(c, r)));
  expect(read(joined, 120, 138)[1]).toBeNaN();
});

it("finds the end of a turned toe that comes near the other shoe", () => {
  const near = (c: number, r: number) => (c > 137 && c < 141 && r > 205 && r < 211 ? -0.1 : -1);
  const m = mask((c, r) =>
    Math.max(leg(120)(c, r), shoe(114, 137.5)(c, r), shoe(141, 160)(c, r), near(c, r)),
  );
  expect(Math.abs(read(m, 120, 134)[1] - toPicture(137.5))).toBeLessThan(1);
});
