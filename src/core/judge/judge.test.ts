import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { findStage, type Stage } from "../drills";
import { CATALOGUE, MEASURE_IDS, type MeasureId } from "../measures";
import { checkBand, judge, type JudgeInput } from "./judge";
import type { Measured } from "./verdict";

const { stage } = findStage("double-step");

/** A rep whose every check sits on its target, surely. */
const perfect = (change: Parameters<typeof perfectOf>[1] = {}): JudgeInput =>
  perfectOf(stage, change);

function perfectOf(
  stage: Stage,
  change: Partial<Record<MeasureId, Partial<Measured>>> = {},
): JudgeInput {
  const measures = Object.fromEntries(
    MEASURE_IDS.map((id) => {
      const check = stage.checks.find((c) => c.measure === id);
      const unit = CATALOGUE[id].unit;
      return [
        id,
        {
          value: check?.target ?? 50,
          u: unit === "ms" ? 10 : 0.5,
          unit,
          state: "measured",
          ...change[id],
        },
      ];
    }),
  ) as Record<MeasureId, Measured>;
  return {
    stage,
    statureCm: 178,
    measures,
    actions: stage.actions.map(({ id }) => ({ id, result: "done" as const })),
    problems: [],
  };
}

describe("a band", () => {
  it("passes only when all of value ± 2u is inside, fails only when all is outside", () => {
    expect(checkBand(3.2, 0.8, [null, 5])).toBe("pass");
    expect(checkBand(4.2, 0.8, [null, 5])).toBe("too close");
    expect(checkBand(6.7, 0.8, [null, 5])).toBe("fail");
    expect(checkBand(-10, 0.5, [-16, -4])).toBe("pass");
  });

  it("is never decided by less certainty: widening u turns a verdict only into 'too close'", () => {
    const number = fc.double({ min: -50, max: 50, noNaN: true });
    const u = fc.double({ min: 0, max: 20, noNaN: true });
    fc.assert(
      fc.property(number, u, u, number, number, (value, u1, more, a, b) => {
        const band = [Math.min(a, b), Math.max(a, b)] as const;
        const narrow = checkBand(value, u1, band);
        const wide = checkBand(value, u1 + more, band);
        expect(wide === narrow || wide === "too close").toBe(true);
      }),
    );
  });
});

describe("a rep's verdict", () => {
  it("passes when every must passes, whatever the advice says", () => {
    expect(judge(perfect({ headDrift: { value: 30 } })).result).toBe("pass");
  });

  it("gives one cue: the failed must earliest in the chain of causes", () => {
    const v = judge(
      perfect({
        leadLandBeforeTop: { value: -200 },
        trailStepBeforeHands: { value: -180 },
        pelvisSway: { value: 12 },
      }),
    );
    expect(v).toMatchObject({ result: "fail", cue: { words: "Foot before hands" } });
  });

  it("tells a step too long from one too short", () => {
    expect(judge(perfect({ trailStepLength: { value: -25 } })).cue?.words).toBe(
      "Smaller trail step",
    );
    expect(judge(perfect({ trailStepLength: { value: -0.5 } })).cue?.words).toBe(
      "Longer trail step",
    );
  });

  it("fails a missing step with the step's own cue before any check", () => {
    const v = judge({
      ...perfect({ trailStepBeforeHands: { value: -180 } }),
      actions: [
        { id: "trailStep", result: "missing" },
        { id: "leadStep", result: "done" },
      ],
    });
    expect(v.cue).toEqual({ id: "trailStep", words: "Step the trail foot" });
  });

  it("tells two faults of one check apart by another measure", () => {
    const { stage: together } = findStage("feet-together");
    const tipped = (headTImpact: number) =>
      judge({
        ...perfectOf(together, { headDrift: { value: 14 }, headTImpact: { value: headTImpact } }),
      }).cue?.words;
    expect([tipped(9), tipped(-9)]).toEqual(["Shoulders wait for arms", "Hips wait for arms"]);
  });

  it("is not judged when a step was not clearly seen", () => {
    const v = judge({
      ...perfect(),
      actions: [
        { id: "trailStep", result: "not seen" },
        { id: "leadStep", result: "done" },
      ],
    });
    expect(v).toMatchObject({ result: "not judged", reason: { code: "footNotSeen" }, cue: null });
  });

  it("says how far a check is from being decided", () => {
    const v = judge(perfect({ pelvisSway: { value: 4.6, u: 0.6 } }));
    expect(v).toMatchObject({ result: "not judged", reason: { code: "tooClose" } });
    expect(v.reason!.message).toContain("4.6 cm, the limit is 5.0, the film is sure to 1.2");
  });

  it("is not judged when a must can't be measured, unless another fails", () => {
    const missing = { value: null, u: null, state: "not measurable" as const };
    expect(judge(perfect({ trailSharePeak: missing })).reason?.code).toBe("notMeasurable");
    expect(
      judge(perfect({ trailSharePeak: missing, leadLandBeforeTop: { value: -200 } })).result,
    ).toBe("fail");
  });

  it("is not judged from the wrong view or in unexplained slow motion", () => {
    expect(
      judge({
        ...perfect(),
        problems: [
          { code: "wrongView", message: "From the side.", action: "Turn it.", touches: "rep" },
        ],
      }).reason?.code,
    ).toBe("wrongView");
    expect(
      judge({
        ...perfect(),
        problems: [{ code: "slowMotion", message: "Slow?", action: "Say.", touches: "rep" }],
      }).reason?.code,
    ).toBe("slowMotion");
  });

  it("scales the body's limits with stature and leaves shoes and times alone", () => {
    const tall = judge({ ...perfect(), statureCm: 195.8 });
    expect(tall.checks.find((c) => c.id === "hips-inside")!.band[1]).toBeCloseTo(5.5, 6);
    expect(tall.checks.find((c) => c.id === "small-step")!.band).toEqual(
      [-17.6, -4].map((v) => expect.closeTo(v, 6)),
    );
    expect(tall.checks.find((c) => c.id === "lead-down")!.band[0]).toBe(-40);
  });
});
