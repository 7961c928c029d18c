import { describe, expect, it } from "vitest";
import { cmPerPx, halfView, lensOf } from "./lens";

const LENS = { fovDeg: 90, long: 1280, short: 720, fps: 60 };

describe("a lens", () => {
  it("of 90 degrees sees as far to each side as it is away, and less up by the picture's shape", () => {
    expect(halfView(LENS, false).across).toBeCloseTo(1, 9);
    expect(halfView(LENS, false).up).toBeCloseTo(720 / 1280, 9);
  });

  it("sees the other way round when the phone stands on its end", () => {
    const [lying, standing] = [halfView(LENS, false), halfView(LENS, true)];
    expect([standing.across, standing.up]).toEqual([lying.up, lying.across]);
  });

  it("has pixels as wide as the picture there divided by their number", () => {
    expect(cmPerPx(LENS, 400) * LENS.long).toBeCloseTo(800, 9);
    expect(cmPerPx(LENS, 800)).toBeCloseTo(2 * cmPerPx(LENS, 400), 9);
  });

  it("in which somebody just fits at a distance shows their stature across its long side", () => {
    const fovDeg = lensOf(180, 350);
    expect(cmPerPx({ ...LENS, fovDeg }, 350) * LENS.long).toBeCloseTo(180, 6);
  });
});
