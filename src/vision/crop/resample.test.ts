import { describe, expect, it } from "vitest";
import { uprightSize, type Frame } from "../decode/frame";
import { compileKernel } from "../../../scripts/build-kernel.mjs";
import type { Cutout } from "../decode/cutout";
import { KERNEL } from "../kernel/binary";
import { Resampler } from "./resample";

/**
 * A picture of luma, Cb and Cr at upright px, stored as a phone held in `rotation` would; each
 * chroma sample is of the first of its four px.
 */
function frame(
  width: number,
  height: number,
  of: (x: number, y: number) => [number, number, number],
  rotation: Frame["rotation"] = 0,
): Frame {
  const sideways = rotation === 90 || rotation === 270;
  const [w, h] = sideways ? [height, width] : [width, height];
  const data = new Uint8Array(w * h * 1.5);
  const c = (w / 2) * (h / 2);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [X, Y] =
        rotation === 0
          ? [x, y]
          : rotation === 90
            ? [h - 1 - y, x]
            : rotation === 180
              ? [w - 1 - x, h - 1 - y]
              : [y, w - 1 - x];
      const [luma, cb, cr] = of(X, Y);
      data[y * w + x] = luma;
      if (X % 2 || Y % 2) continue;
      data[w * h + (y >> 1) * (w / 2) + (x >> 1)] = cb;
      data[w * h + c + (y >> 1) * (w / 2) + (x >> 1)] = cr;
    }
  return {
    timeMs: 0,
    data,
    width: w,
    height: h,
    rotation,
    matrix: "bt709",
    fullRange: true,
    y: { offset: 0, stride: w, step: 1 },
    u: { offset: w * h, stride: w / 2, step: 1 },
    v: { offset: w * h + c, stride: w / 2, step: 1 },
  };
}

/** A whole picture as a piece of itself. */
function uncut(frame: Frame): Cutout {
  const [width, height] = uprightSize(frame);
  return { frame, left: 0, top: 0, of: { width, height } };
}

const cut = (
  f: Frame,
  square: { cx: number; cy: number; size: number },
  n = 16,
  outside: "nearest" | "black" = "nearest",
) => {
  return new Resampler(n, 0, 1, outside).cut(uncut(f), square);
};

describe("cutting a square out of a frame", () => {
  it("averages every source pixel once: a ramp stays a ramp, at the places the square says", () => {
    const out = cut(
      frame(200, 120, (x) => [x, 128, 128]),
      { cx: 100, cy: 60, size: 64 },
    );
    for (let u = 0; u < 16; u++)
      expect(out[(8 * 16 + u) * 3]! * 255).toBeCloseTo(100 - 32 + (u + 0.5) * 4 - 0.5, 1);
  });

  it("moves with the square by parts of a pixel", () => {
    const a = cut(
      frame(200, 120, (x) => [x, 128, 128]),
      { cx: 100, cy: 60, size: 64 },
    );
    const b = cut(
      frame(200, 120, (x) => [x, 128, 128]),
      { cx: 100.25, cy: 60, size: 64 },
    );
    expect((b[24]! - a[24]!) * 255).toBeCloseTo(0.25, 2);
  });

  /**
   * Colours of luma, Cb and Cr (full range, BT.709), averaged over what each output covers, one
   * sample at a time.
   */
  function slowly(
    of: (x: number, y: number) => [number, number, number],
    { cx, cy, size }: { cx: number; cy: number; size: number },
    n: number,
    u: number,
    v: number,
  ): number[] {
    const mean = (plane: 0 | 1 | 2) => {
      const scale = plane ? 0.5 : 1;
      const box = Math.max((size * scale) / n, 1);
      const [x, y] = [
        (cx - size / 2) * scale + ((u + 0.5) * size * scale) / n,
        (cy - size / 2) * scale + ((v + 0.5) * size * scale) / n,
      ];
      const share = (k: number, at: number) =>
        Math.max(0, Math.min(k + 1, at + box / 2) - Math.max(k, at - box / 2)) / box;
      let sum = 0;
      for (let j = Math.floor(y - box / 2); j < y + box / 2; j++)
        for (let i = Math.floor(x - box / 2); i < x + box / 2; i++)
          sum += share(i, x) * share(j, y) * of(i / scale, j / scale)[plane];
      return sum;
    };
    const [l, b, r] = [mean(0), mean(1) - 128, mean(2) - 128];
    return [
      l + 1.5748 * r,
      l - (0.2126 * 1.5748 * r + 0.0722 * 1.8556 * b) / 0.7152,
      l + 1.8556 * b,
    ].map((c) => Math.min(255, Math.max(0, c)) / 255);
  }

  it("reads a phone held any way round, whole or a piece, as the same upright picture: what a slow sum gives", () => {
    const picture = (x: number, y: number): [number, number, number] => [
      (x * 3 + y * 7) % 200,
      90 + ((x * 5 + y) % 60),
      100 + ((y * 3) % 70),
    ];
    const square = { cx: 60.3, cy: 51, size: 43.7 };
    for (const rotation of [0, 90, 180, 270] as const) {
      const piece: Cutout = {
        frame: frame(52, 52, (x, y) => picture(x + 36, y + 26), rotation),
        left: 36,
        top: 26,
        of: { width: 128, height: 96 },
      };
      for (const part of [uncut(frame(128, 96, picture, rotation)), piece]) {
        const out = new Resampler(16, 0, 1, "nearest").cut(part, square);
        for (const [u, v] of [
          [0, 0],
          [5, 9],
          [15, 2],
          [8, 15],
        ] as const)
          slowly(picture, square, 16, u, v).forEach((c, k) =>
            expect(out[(v * 16 + u) * 3 + k]).toBeCloseTo(c, 5),
          );
      }
    }
  });

  it("does not make up what the piece does not hold", () => {
    const piece: Cutout = {
      frame: frame(40, 40, () => [90, 128, 128]),
      left: 30,
      top: 30,
      of: { width: 128, height: 96 },
    };
    expect(() =>
      new Resampler(16, 0, 1, "nearest").cut(piece, { cx: 50, cy: 50, size: 44 }),
    ).toThrow("not at hand");
  });

  it("runs the compiled form of its source", async () => {
    expect(Buffer.from(await compileKernel()).toString("base64")).toBe(KERNEL);
  });

  it("repeats the edge for the landmark network and is black beyond it for the detector", () => {
    const f = frame(64, 64, () => [200, 128, 128]);
    expect(cut(f, { cx: 0, cy: 32, size: 32 })[0]).toBeCloseTo(200 / 255, 3);
    expect(cut(f, { cx: 0, cy: 32, size: 32 }, 16, "black")[0]).toBe(0);
  });
});
