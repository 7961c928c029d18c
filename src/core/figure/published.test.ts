import { describe, expect, it } from "vitest";
import { body, DE_LEVA } from "./anthropometry";

/**
 * De Leva 1996 (J. Biomech. 29:1223), table 4: lengths of an adult's segments, cm, for the statures
 * of his subjects (woman 173.5 cm, man 174.1 cm).
 */
const PUBLISHED = {
  female: { stature: 173.5, thigh: 36.85, shank: 43.23, upperArm: 27.51, forearm: 26.43 },
  male: { stature: 174.1, thigh: 42.22, shank: 43.4, upperArm: 28.17, forearm: 26.89 },
} as const;

describe("the simulated body", () => {
  it.each(["female", "male"] as const)("of a %s weighs one body", (sex) => {
    const { head, trunk, ...limbs } = DE_LEVA[sex];
    const all = Object.values(limbs).reduce((sum, s) => sum + 2 * s.mass, head.mass + trunk.mass);
    expect(all).toBeCloseTo(1, 2);
  });

  it.each(["female", "male"] as const)("of a %s has arms and shanks of published length", (sex) => {
    const published = PUBLISHED[sex];
    const built = body(published.stature, sex);
    for (const part of ["shank", "upperArm", "forearm"] as const)
      expect(Math.abs(built[part] / published[part] - 1), part).toBeLessThan(0.06);
  });

  it("of a man has published thighs; de Leva's women begin theirs lower than the hip joint", () => {
    expect(Math.abs(body(174.1, "male").thigh / PUBLISHED.male.thigh - 1)).toBeLessThan(0.03);
  });

  it("stands as tall as it is: legs, trunk and half a head", () => {
    for (const stature of [150, 178, 200]) {
      const b = body(stature);
      const ears = b.ankleHeight + b.shank + b.thigh + b.trunk + b.neckToEars;
      expect(ears / stature).toBeGreaterThan(0.9);
      expect(ears / stature).toBeLessThan(0.96);
    }
  });

  it("refuses who is no adult golfer", () => {
    expect(() => body(119)).toThrow("120 to 220");
    expect(() => body(NaN)).toThrow("120 to 220");
  });
});
