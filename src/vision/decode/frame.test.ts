import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cutoutArea, cutoutBytes, storedRect, wholeBytes } from "./cutout";
import { uprightPlane, uprightSize, type Frame } from "./frame";

const ROTATIONS = [0, 90, 180, 270] as const;

describe("a picture that is stored turned", () => {
  /** Luma of a picture of 3 × 2, stored row by row with a stride of 5. */
  const data = Uint8Array.of(1, 2, 3, 0, 0, 4, 5, 6, 0, 0);
  const read = (rotation: Frame["rotation"]) => {
    const p = uprightPlane({ offset: 0, stride: 5, step: 1 }, 3, 2, rotation);
    return Array.from({ length: p.height }, (_, y) =>
      Array.from({ length: p.width }, (_, x) => data[p.origin + x * p.dx + y * p.dy]),
    );
  };

  it("is read upright by turning it clockwise", () => {
    expect(read(0)).toEqual([
      [1, 2, 3],
      [4, 5, 6],
    ]);
    expect(read(90)).toEqual([
      [4, 1],
      [5, 2],
      [6, 3],
    ]);
    expect(read(180)).toEqual([
      [6, 5, 4],
      [3, 2, 1],
    ]);
    expect(read(270)).toEqual([
      [3, 6],
      [2, 5],
      [1, 4],
    ]);
  });

  it("is as wide as it was high", () => {
    expect(ROTATIONS.map((rotation) => uprightSize({ width: 3, height: 2, rotation }))).toEqual([
      [3, 2],
      [2, 3],
      [3, 2],
      [2, 3],
    ]);
  });

  it("has an area of the upright picture where it is stored", () => {
    const size = { width: 3, height: 2 };
    for (const rotation of ROTATIONS) {
      const [width, height] = uprightSize({ ...size, rotation });
      for (let left = 0; left < width; left++)
        for (let top = 0; top < height; top++) {
          const at = storedRect(
            rotation,
            { left, top, right: left + 1, bottom: top + 1 },
            width,
            height,
          );
          expect([at.width, at.height]).toEqual([1, 1]);
          expect(data[at.y * 5 + at.x], `${rotation}° ${left}, ${top}`).toBe(
            read(rotation)[top]![left],
          );
        }
    }
  });
});

describe("a cutout's area", () => {
  it("holds all boxes with room for their colours, on even pixels, inside the picture", () => {
    const side = fc.integer({ min: -50, max: 700 });
    const box = fc
      .tuple(side, side, fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 300 }))
      .map(([left, top, w, h]) => ({ left, top, right: left + w, bottom: top + h }));
    fc.assert(
      fc.property(fc.array(box, { minLength: 1, maxLength: 3 }), (boxes) => {
        const a = cutoutArea(boxes, 640, 481);
        for (const v of [a.left, a.top]) expect(v % 2).toBe(0);
        expect(a.left).toBeGreaterThanOrEqual(0);
        expect(a.right).toBeLessThanOrEqual(640);
        expect(a.bottom).toBeLessThanOrEqual(480);
        for (const b of boxes) {
          expect(a.left).toBeLessThanOrEqual(Math.max(0, b.left));
          expect(a.right).toBeGreaterThanOrEqual(Math.min(640, b.right));
          expect(a.bottom).toBeGreaterThanOrEqual(Math.min(480, b.bottom));
        }
      }),
    );
  });

  it("takes one and a half bytes a pixel, with room for an odd row and column", () => {
    expect(cutoutBytes({ left: 2, top: 4, right: 12, bottom: 14 })).toBe(150);
    expect(wholeBytes({ width: 640, height: 480 })).toBeGreaterThanOrEqual((640 * 480 * 3) / 2);
    expect(wholeBytes({ width: 641, height: 481 })).toBeGreaterThanOrEqual(
      641 * 481 + 2 * 321 * 241,
    );
  });
});
