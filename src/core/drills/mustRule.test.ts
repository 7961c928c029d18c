import { describe, expect, it } from "vitest";
import { DRILLS } from "./builtIn";
import { brokenMusts, mustMargins } from "./mustRule";

describe("which checks may be must", () => {
  it.each(DRILLS.map((d) => [d.id, d] as const))(
    "%s asks only what the bench's uncertainties carry",
    (_, drill) => {
      expect(brokenMusts(drill)).toEqual([]);
    },
  );

  it("counts target and fault in u from the nearest limit", () => {
    const check = { band: [-16, -4], target: -9, fault: -24 } as never;
    expect(mustMargins(check, 2)).toEqual({ target: 2.5, fault: 4 });
  });
});
