import { describe, expect, it } from "vitest";
import { level, measured, spell, values } from "../../../../tests/core/handMade";
import { MEASURE_FIT } from "../fitted";

const step = (foot: "lead" | "trail", off: number, on?: number) => ({
  footEvents: [
    { foot, event: "liftOff", ms: off },
    ...(on === undefined ? [] : [{ foot, event: "landing", ms: on }]),
  ] as never,
});
const k = MEASURE_FIT.anklesApart;

describe("how the feet stand", () => {
  it("is their distance along T, with the lead foot on the target's side", () => {
    expect(measured("footGapAddress").value).toBeCloseTo(36 * k);
    expect(measured("footGapHipsAddress").value).toBeCloseTo((36 * k) / 20);
    const crossed = { spells: { lead: [spell(-20)], trail: [spell(-10)] } };
    expect(measured("footGapAddress", crossed).value).toBeCloseTo(-10 * k);
    expect(measured("footGapAddress", { spells: { lead: [] } }).why).toBe("footNotSeen");
  });

  it("from behind is how far one stands before the other", () => {
    const motion = { view: "down-the-line" as const };
    const joints = { lead: { ankle: { t: level(12), u: level(8) } } };
    expect(values({ motion, joints }, "footStagger")).toEqual([30]);
  });
});

describe("a step", () => {
  it("of the trail foot is timed against the hands' start", () => {
    const early = { rep: step("trail", 250, 500) };
    expect(values(early, "trailStepBeforeHands")).toEqual([50]);
    expect(measured("trailStepBeforeHands", { rep: step("trail", 1350, 1600) }).why).toBe("noStep");
    expect(measured("trailStepBeforeHands").why).toBe("noStep");
    // What the foot did before it stood still at address is no step of this swing.
    expect(measured("trailStepBeforeHands", { rep: step("trail", 100, 150) }).why).toBe("noStep");
  });

  it("of the lead foot is timed where it leaves and where it lands", () => {
    const drawn = { rep: step("lead", 650, 940) };
    expect(values(drawn, "leadLiftFromMidBack", "leadLandBeforeTop")).toEqual([50, 60]);
    // The other foot's landing is none of its, nor is its own of before.
    const landing = (foot: string, ms: number) => ({ foot, event: "landing", ms });
    const both = [
      landing("lead", 300),
      landing("trail", 700),
      { foot: "lead", event: "liftOff", ms: 650 },
      { foot: "lead", event: "heelUp", ms: 800 },
      landing("lead", 940),
    ];
    expect(values({ rep: { footEvents: both as never } }, "leadLandBeforeTop")).toEqual([60]);
    // One that never lands in the film has left all the same.
    const open = { rep: step("lead", 650) };
    expect(values(open, "leadLiftFromMidBack")).toEqual([50]);
    expect(measured("leadLandBeforeTop", open).why).toBe("noStep");
  });

  it("is as long as its places are apart, and lands a shoulder's width off", () => {
    const drawn = {
      rep: step("lead", 650, 940),
      spells: { lead: [spell(4, 0, 650), spell(22, 940)] },
    };
    expect(values(drawn, "leadStepLength")).toEqual([18]);
    expect(measured("leadLandingOffset", drawn).value).toBeCloseTo(40 * k - 35);
    const small = { ...drawn, motion: { statureCm: 89 } };
    expect(measured("leadLandingOffset", small).value).toBeCloseTo(40 * k - 17.5);
    // A spell that seems to begin just before the lift-off is the place stepped to.
    const late = { ...drawn, spells: { lead: [spell(4, 0, 590), spell(22, 600)] } };
    expect(values(late, "leadStepLength")).toEqual([18]);
  });

  it("through the strike lands past the lead foot", () => {
    const drawn = {
      rep: step("trail", 1350, 1700),
      spells: { trail: [spell(-18, 0, 1350), spell(40, 1700)] },
    };
    expect(values(drawn, "trailLandAfterImpact", "trailLandsPastLead")).toEqual([400, 22]);
    expect(measured("trailLandAfterImpact", { rep: step("trail", 250, 500) }).why).toBe("noStep");
  });
});
