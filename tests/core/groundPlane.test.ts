import { describe, expect, it } from "vitest";
import { pinhole } from "../../tools/clips/camera";
import { camera } from "../../src/core/scene/camera";

const phone = {
  distance: 380,
  height: 90,
  fov: 66,
  roll: 0,
  yaw: 0,
  width: 1280,
  height_px: 720,
  fps: 60,
};
const real = pinhole({ view: "face-on", golfer: { hand: "right" }, camera: phone });
const px = (t: number, d: number) => real.project([t, 0, d]);

describe("the ground plane", () => {
  it("puts picture points back where they stand, when height and lens are known", () => {
    const [, feetY] = px(0, 5);
    const scale = 1 / (px(0.5, 5)[0] - px(-0.5, 5)[0]);
    const c = camera({ heightCm: 90, hfovDeg: 66 }, { width: 1280, height: 720 }, feetY, scale);
    const [t0, away0] = c.toGround(...px(0, 5));
    for (const [t, d] of [
      [-25, 5],
      [25, 12],
      [10, 30],
      [-40, -20],
    ] as const) {
      const [across, away] = c.toGround(...px(t, d));
      expect(across - t0).toBeCloseTo(t, 0);
      expect(away0 - away).toBeCloseTo(d - 5, 0);
    }
    expect(c.told).toBe(true);
  });

  it("says nothing of points over the horizon", () => {
    const c = camera({}, { width: 1280, height: 720 }, 600, 0.4);
    expect(c.toGround(640, -3000)[0]).toBeNaN();
    expect(c.told).toBe(false);
  });
});
