import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { findStage, type Stage } from "../drills";
import { CATALOGUE, MEASURE_IDS, type MeasureId } from "../measures";
import { checkBand, judge, type JudgeInput } from "./judge";
import { isRehearsal, summaryOf, type Measured } from "./verdict";

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

  it("has its limits inside: an interval that touches one from within passes, from outside does not fail", () => {
    expect(checkBand(4, 0.5, [null, 5])).toBe("pass");
    expect(checkBand(4, 0.5, [3, null])).toBe("pass");
    expect(checkBand(6, 0.5, [null, 5])).toBe("too close");
    expect(checkBand(2, 0.5, [3, null])).toBe("too close");
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

  it("has causes in the order of a swing's phases, whatever order a stage lists them in", () => {
    const late = perfect({ leadLandBeforeTop: { value: -200 }, pelvisSway: { value: 12 } });
    const reversed = { ...stage, checks: [...stage.checks].reverse() };
    expect(judge({ ...late, stage: reversed }).cue).toEqual(judge(late).cue);
    expect(judge(late).cue?.id).toBe("hips-inside");
  });

  it("is not changed by a trouble that touches something else", () => {
    const problems = [
      { code: "lowPicture" as never, message: "", action: "", touches: "feet" as const },
    ];
    expect(judge({ ...perfect(), problems })).toEqual(judge(perfect()));
  });

  it("is never given by a stage without musts: that is a rehearsal", () => {
    const checks = stage.checks.map((c) => ({ ...c, level: "advice" as const, point: false }));
    const counted = judge({ ...perfect(), stage: { ...stage, checks } });
    expect(counted).toMatchObject({ result: "not judged", cue: null });
    expect([isRehearsal(counted), isRehearsal(judge(perfect()))]).toEqual([true, false]);
    expect(counted.checks.some((c) => c.must)).toBe(false);
  });

  it("says of each check whether it is a must, and measures only what is sure of its value", () => {
    const { checks } = judge(perfect());
    expect(checks.map((c) => c.must)).toEqual(stage.checks.map((c) => c.level === "must"));
    expect(new Set(checks.map((c) => c.must)).size).toBe(2);
    const of = (change: Partial<Measured>) =>
      judge(perfect({ pelvisSway: change })).checks.find((c) => c.measure === "pelvisSway");
    for (const change of [
      { state: "not measurable" as const },
      { value: null },
      { u: null },
      { value: null, u: null },
    ])
      expect(of(change)?.result, JSON.stringify(change)).toBe("not measurable");
  });

  it("sums up to what a golfer is told, and nothing else", () => {
    const failed = judge(perfect({ pelvisSway: { value: 12 } }));
    expect(summaryOf(failed)).toEqual({ result: "fail", reason: null, cue: failed.cue });
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

  it("names the step that is missing or was not seen, of two", () => {
    const steps = (trail: "done" | "missing" | "not seen", lead: typeof trail) =>
      judge({
        ...perfect(),
        actions: [
          { id: "trailStep", result: trail },
          { id: "leadStep", result: lead },
        ],
      });
    expect(steps("done", "missing").cue?.id).toBe("leadStep");
    expect(steps("done", "not seen").reason?.message).toMatch(/^Lead/);
    expect(steps("not seen", "done").reason?.message).toMatch(/^Trail/);
    // One that was not seen does not excuse the other.
    expect(steps("not seen", "missing").cue?.id).toBe("leadStep");
  });

  it("tells two faults of one check apart by another measure", () => {
    const { stage: together } = findStage("feet-together");
    const tipped = (headTImpact: number) =>
      judge({
        ...perfectOf(together, { headDrift: { value: 14 }, headTImpact: { value: headTImpact } }),
      }).cue?.words;
    expect([tipped(9), tipped(0), tipped(-9)]).toEqual([
      "Shoulders wait for arms",
      "Shoulders wait for arms",
      "Hips wait for arms",
    ]);
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
    const musts = stage.checks.filter((c) => c.level === "must").length;
    expect(v.reason!.message).toMatch(new RegExp(`^${musts - 1} of ${musts} passed\\. `));
  });

  it("says of several open checks the first, how many more there are, and the limit that is nearer", () => {
    const open = (step: number) =>
      judge(
        perfect({
          trailStepLength: { value: step, u: 0.6 },
          pelvisSway: { value: 4.6, u: 0.6 },
          leadLandBeforeTop: { value: -39, u: 30 },
        }),
      ).reason!.message;
    expect(open(-4.6)).toContain("-4.6 cm, the limit is -4.0");
    expect(open(-15.5)).toContain("-15.5 cm, the limit is -16.0");
    expect(open(-4.6)).toContain("2 more can't be told");
    const late = judge(perfect({ leadLandBeforeTop: { value: -39, u: 30 } })).reason!.message;
    expect(late).toContain("-39 ms, the limit is -40, the film is sure to 60");
  });

  it("is not judged when a must can't be measured, unless another fails", () => {
    const missing = { value: null, u: null, state: "not measurable" as const };
    expect(judge(perfect({ trailSharePeak: missing })).reason?.code).toBe("notMeasurable");
    expect(
      judge(perfect({ trailSharePeak: missing, leadLandBeforeTop: { value: -200 } })).result,
    ).toBe("fail");
  });

  it("lets a limit in doubt hold a pass back where it is marked so and told outside", () => {
    const rocker = findStage("lead-foot-rocker").stage;
    const spun = (value: number, u: number) =>
      judge(perfectOf(rocker, { leadFootTurnTopToImpact: { value, u } }));
    expect(spun(22, 5).result).toBe("fail");
    expect(spun(22, 7)).toMatchObject({
      result: "not judged",
      reason: { message: expect.stringContaining("22 °, the limit is 10") },
    });
    expect(spun(8, 7).result).toBe("pass");
    const dragged = perfectOf(rocker, { leadFootTravelTopToImpact: { value: 5, u: 2 } });
    expect(judge(dragged).result).toBe("pass");
  });

  it("says of a turn that was not told how much of it was", () => {
    const braced = findStage("big-toe-brace").stage;
    const little = {
      ...perfectOf(braced, { thoraxTurnBack: { value: 46, u: 13 } }),
      actions: [{ id: "turns", result: "not seen" as const }],
    };
    expect(judge(little).reason!.message).toMatch(/: 46 °, from 60 on it counts/);
    const unseen = perfectOf(braced, { thoraxTurnBack: { value: null, u: null } });
    expect(judge({ ...unseen, actions: little.actions }).reason!.code).toBe("footNotSeen");
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
