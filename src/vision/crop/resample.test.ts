import { describe, expect, it } from "vitest";
import type { Frame } from "../decode/frame";
import { Resampler } from "./resample";

/** A picture whose brightness is `luma(x, y)` in upright px, stored as a phone held in `rotation` would. */
function frame(width: number, height: number, luma: (x: number, y: number) => number, rotation: Frame["rotation"] = 0): Frame {
  const sideways = rotation === 90 || rotation === 270;
  const [w, h] = sideways ? [height, width] : [width, height];
  const data = new Uint8Array(w * h * 1.5).fill(128);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [X, Y] = rotation === 0 ? [x, y] : rotation === 90 ? [h - 1 - y, x] : rotation === 180 ? [w - 1 - x, h - 1 - y] : [y, w - 1 - x];
      data[y * w + x] = luma(X, Y);
    }
  const c = (w / 2) * (h / 2);
  return {
    timeMs: 0, data, width: w, height: h, rotation, matrix: "bt709", fullRange: true,
    y: { offset: 0, stride: w, step: 1 }, u: { offset: w * h, stride: w / 2, step: 1 }, v: { offset: w * h + c, stride: w / 2, step: 1 },
  };
}

const cut = (f: Frame, square: { cx: number; cy: number; size: number }, n = 16, outside: "nearest" | "black" = "nearest") => {
  const out = new Float32Array(n * n * 3);
  new Resampler(n, 0, 1, outside).cut(f, square, out);
  return out;
};

describe("cutting a square out of a frame", () => {
  it("averages every source pixel once: a ramp stays a ramp, at the places the square says", () => {
    const out = cut(frame(200, 120, (x) => x), { cx: 100, cy: 60, size: 64 });
    for (let u = 0; u < 16; u++) expect(out[(8 * 16 + u) * 3]! * 255).toBeCloseTo(100 - 32 + (u + 0.5) * 4 - 0.5, 1);
  });

  it("moves with the square by parts of a pixel", () => {
    const a = cut(frame(200, 120, (x) => x), { cx: 100, cy: 60, size: 64 });
    const b = cut(frame(200, 120, (x) => x), { cx: 100.25, cy: 60, size: 64 });
    expect((b[24]! - a[24]!) * 255).toBeCloseTo(0.25, 2);
  });

  it("reads a phone held any way round as the same upright picture", () => {
    const picture = (x: number, y: number) => (x * 3 + y * 7) % 200;
    const upright = cut(frame(128, 96, picture), { cx: 60, cy: 50, size: 40 });
    for (const rotation of [90, 180, 270] as const) expect(cut(frame(128, 96, picture, rotation), { cx: 60, cy: 50, size: 40 })).toEqual(upright);
  });

  it("repeats the edge for the landmark network and is black beyond it for the detector", () => {
    const f = frame(64, 64, () => 200);
    expect(cut(f, { cx: 0, cy: 32, size: 32 })[0]).toBeCloseTo(200 / 255, 3);
    expect(cut(f, { cx: 0, cy: 32, size: 32 }, 16, "black")[0]).toBe(0);
  });
});
