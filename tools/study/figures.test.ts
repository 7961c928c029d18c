import { describe, expect, it } from "vitest";
import { seeded } from "../../src/core/maths/seeded";
import { methodError } from "../fit/errorTable";
import type { Pair } from "./compare";
import { binomialInterval } from "./figures";

describe("the study's figures", () => {
  it("give the exact binomial interval (Clopper and Pearson's tables)", () => {
    const [low, high] = binomialInterval(8, 10);
    expect(low).toBeCloseTo(0.4439, 3);
    expect(high).toBeCloseTo(0.9748, 3);
    expect(binomialInterval(10, 10)).toEqual([expect.closeTo(0.6915, 3), 1]);
  });

  it("find a method's offset and deviation again, beside what copies already show", () => {
    const random = seeded(9);
    const pairs = Array.from({ length: 400 }, (): Pair => {
      const truth = 10 * random.normal();
      return {
        clip: "",
        about: "",
        golfer: "",
        sort: "planted",
        truth,
        value: truth + 3 + Math.hypot(1, 2) * random.normal(),
        u: 1,
      };
    });
    const { offset, sd } = methodError(pairs)!;
    expect(offset).toBeCloseTo(3, 0);
    expect(sd).toBeGreaterThan(1.7);
    expect(sd).toBeLessThan(2.6);
  });
});
