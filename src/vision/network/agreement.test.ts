import { describe, expect, it } from "vitest";
import { apart, disagreement } from "./agreement";
import { HEAT_SIZE, MASK_SIZE, type LandmarkOutput, type PoseNetwork } from "./poseNetwork";

/** An output whose points lie on a diagonal, one of them moved aside. */
function output(aside = 0): LandmarkOutput {
  const points = new Float32Array(39 * 5);
  for (let p = 0; p < 39; p++) points.set([40 + 4 * p + (p === 7 ? aside : 0), 30 + 3 * p], p * 5);
  return {
    points,
    presence: 1,
    mask: new Float32Array(MASK_SIZE),
    heat: new Float32Array(HEAT_SIZE).fill(-20),
  };
}

const network = (aside: number, look = () => {}): PoseNetwork => ({
  model: "test",
  threads: 1,
  atOnce: 1,
  crop: () => new Float32Array(12),
  done() {},
  detect: () => Promise.reject(new Error("not asked")),
  async landmarks() {
    look();
    return output(aside);
  },
});

describe("a graphics processor against the processor", () => {
  it("is as far off as its worst point, and agrees with nothing where a number is none", () => {
    expect(apart(output(), output())).toBe(0);
    expect(apart(output(), output(-0.75))).toBeCloseTo(0.75, 4);
    expect(apart(output(), output(NaN))).toBe(Infinity);
  });

  it("is looked at with every crop", async () => {
    let looks = 0;
    expect(
      await disagreement(
        network(0),
        network(0.3, () => looks++),
        [new Float32Array(12), new Float32Array(12)],
      ),
    ).toBeCloseTo(0.3, 4);
    expect(looks).toBe(2);
  });
});
