import { describe, expect, it } from "vitest";
import { level, line, measured, spell, values } from "../../../../tests/core/handMade";

const knees = (lead: Float64Array, trail: Float64Array) => ({
  joints: {
    lead: { knee: { t: lead, u: level(52) } },
    trail: { knee: { t: trail, u: level(52) } },
  },
});

describe("the knees", () => {
  it("stand out and in against the trail ankle, on the way back", () => {
    const drawn = knees(level(14), line([200, -14], [600, -23], [1000, -12], [1300, 9]));
    expect(values(drawn, "trailKneeOut", "trailKneeIn")).toEqual([5, 6]);
  });

  it("come together and part against the feet", () => {
    const drawn = knees(line([200, 14], [1000, 14], [1300, 20]), line([1000, -14], [1200, -4]));
    // 28 cm at address, the feet 36 apart; 18 + 4 at the least; 24 at the strike.
    const [down, most, part] = values(drawn, "kneeGapDown", "kneeGapAddressToImpact", "kneePart");
    expect([down, most, part]).toEqual([0.6, 0.8, 0]);
    const opens = knees(line([200, 14], [1300, 26]), level(-14));
    expect(values(opens, "kneePart", "leadKneeTravelTopToImpact")).toEqual([12, 3.3]);
  });

  it("change their angle over a span, + where the leg straightens", () => {
    const lead = {
      hip: { t: level(18), u: level(96) },
      knee: { t: line([1000, 40], [1300, 18]), u: level(52) },
      ankle: { t: level(18), u: level(8) },
    };
    const bent = 180 - 2 * ((Math.atan2(22, 44) * 180) / Math.PI);
    const { value } = measured("leadKneeAngleChangeTopToImpact", { joints: { lead } });
    expect(value).toBeCloseTo(180 - bent);
    expect(values({ joints: { lead } }, "trailKneeAngleChangeTopToImpact")).toEqual([0]);
  });
});

describe("the shins and the lead leg", () => {
  it("lean by the line from where the foot stands to the knee", () => {
    const drawn = knees(line([200, 18], [1300, 62]), level(-18));
    expect(values(drawn, "leadShinLeanAddress", "leadShinLeanImpact")).toEqual([0, 45]);
  });

  it("stack the hip over the ankle", () => {
    const joints = { lead: { hip: { t: line([1000, 10], [1300, 17]), u: level(95) } } };
    expect(values({ joints }, "leadLegStackTop", "leadLegStackImpact")).toEqual([-8, -1]);
  });
});

describe("the trail foot from halfway down", () => {
  const rolls = (toe: Float64Array) => ({
    joints: {
      trail: {
        knee: { t: line([1150, -14], [1300, -5]), u: level(52) },
        toe: { t: toe, u: level(2) },
      },
    },
  });

  it("rolls in by what the knee moves over a toe that stands", () => {
    expect(values(rolls(level(-24)), "trailFootRoll")).toEqual([9]);
    expect(measured("trailFootRoll", rolls(line([1150, -24], [1300, -20]))).why).toBe("footMoved");
    const open = { ...rolls(level(-24)), events: { halfwayDown: NaN } };
    expect(measured("trailFootRoll", open).why).toBe("eventNotFound");
  });

  it("from behind sends the knee toward the ball", () => {
    const drawn = {
      ...knees(level(14), line([1000, -14], [1200, 3], [1300, -2])),
      motion: { view: "down-the-line" as const },
      spells: { lead: [spell(5)] },
    };
    expect(measured("trailKneeTowardBall", drawn)).toEqual({ value: 17, atMs: 1200 });
  });
});
