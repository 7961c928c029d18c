import { describe, expect, it } from "vitest";
import { DRILLS } from "../drills";
import type { Measured } from "../judge/verdict";
import { CATALOGUE, type MeasureId } from "../measures";
import { profileOf, type ProfileAsk } from "./profile";
import { firstStance } from "./reach";
import { compareStances } from "./stances";
import { opposed, STYLE_CHOICES, stylesOf } from "./styles";
import { SYMPTOM_ROWS } from "./symptoms";
import { answer, causesOf } from "./which";

const ASK: ProfileAsk = { statureCm: 178, club: "iron", styles: {} };
const rep = (
  values: Partial<Record<MeasureId, [value: number, u: number]>>,
): Partial<Record<string, Measured>> =>
  Object.fromEntries(
    Object.entries(values).map(([id, [value, u]]) => [
      id,
      { value, u, unit: CATALOGUE[id as MeasureId].unit, state: "measured" },
    ]),
  );
const five = (values: Parameters<typeof rep>[0]) => [0, 1, 2, 3, 4].map(() => rep(values));
const firstOf = (values: Parameters<typeof rep>[0], ask = ASK) =>
  profileOf(five(values), ask).suggestions[0]?.drill.id;

describe("five own swings", () => {
  it("name what is outside, the drill that trains it, and why", () => {
    const profile = profileOf(five({ pelvisSway: [9, 0.7], leadShareImpact: [80, 3] }), ASK);
    expect(profile.findings.map((f) => [f.measure, f.side, f.sure])).toEqual([
      ["pelvisSway", "above", true],
    ]);
    expect(profile.inside).toEqual(["leadShareImpact"]);
    expect(profile.suggestions[0]).toMatchObject({
      drill: { id: "heel-toe-swap" },
      because: [{ measure: "pelvisSway" }],
      against: [],
    });
  });

  it("begin with what goes wrong first, however far off the rest is", () => {
    expect(
      profileOf(
        five({ pelvisSlide: [16, 0.6], pelvisSway: [8, 0.6], leadShareFinish: [40, 3] }),
        ASK,
      ).findings.map((f) => f.measure),
    ).toEqual(["pelvisSway", "pelvisSlide", "leadShareFinish"]);
  });

  it("suggest nothing for what is inside, hardly outside, or seen once", () => {
    expect(firstOf({ pelvisSway: [3, 0.7] })).toBeUndefined();
    const doubtful = profileOf(five({ pelvisSway: [6, 0.7] }), ASK);
    expect([doubtful.findings.map((f) => f.sure), doubtful.suggestions]).toEqual([[false], []]);
    expect(profileOf([rep({ pelvisSway: [12, 0.7] })], ASK).findings).toEqual([]);
  });

  it("count what differs from swing to swing as doubt", () => {
    const apart = [3, 5, 7, 9, 11].map((v) => rep({ pelvisSway: [v, 0.3] }));
    const { mean, u, spread } = profileOf(apart, ASK).measures.pelvisSway!;
    expect([mean, spread]).toEqual([7, Math.sqrt(10)]);
    expect(u).toBeCloseTo(Math.hypot(0.3, Math.sqrt(2)), 6);
  });

  it("hold a golfer only to what can be held to: no drill's narrowest band, none of the other club's", () => {
    // Lead leg only wants 4 cm of its small swings; heel and toe swap allows 8.
    expect(profileOf(five({ pelvisSlide: [7, 0.3] }), ASK).findings).toEqual([]);
    // 70 % at the strike is outside the driver's band, and just right for an iron.
    expect(profileOf(five({ leadShareImpact: [72, 1] }), ASK).findings).toEqual([]);
    expect(profileOf(five({ leadShareImpact: [40, 1] }), ASK).findings[0]).toMatchObject({
      side: "below",
      band: [58, null],
      symptom: "heavy",
    });
  });

  it("follow the golfer's side of a question", () => {
    const quick = five({ pelvisBeforeHands: [20, 5] });
    expect(profileOf(quick, { ...ASK, styles: { leads: "ground up" } }).findings[0]).toMatchObject({
      side: "below",
      band: [60, null],
    });
    expect(profileOf(quick, { ...ASK, styles: { leads: "arms first" } }).findings).toEqual([]);
  });

  it("choose which side drives, unless the golfer has", () => {
    expect(profileOf(five({ pelvisSlide: [14, 0.6] }), ASK).styles.drives).toBe("lead clears");
    expect(profileOf(five({ leadShareImpact: [38, 3] }), ASK).styles.drives).toBe("trail drives");
    expect(
      profileOf(five({ leadShareImpact: [38, 3] }), { ...ASK, styles: { drives: "lead clears" } })
        .styles.drives,
    ).toBe("lead clears");
    expect(profileOf(five({ leadShareImpact: [80, 3] }), ASK).styles.drives).toBeUndefined();
  });
});

describe("questions of style", () => {
  it("have a usual side with its reason, but for the one that the swings decide", () => {
    expect(STYLE_CHOICES.filter((s) => s.usual === null).map((s) => s.id)).toEqual(["drives"]);
    expect(stylesOf({ pressesBack: "big toe" }).pressesBack).toBe("big toe");
  });

  it("set drills apart", () => {
    const brace = DRILLS.find((d) => d.id === "big-toe-brace")!;
    expect(opposed(brace, stylesOf({}))).toEqual(["pressesBack"]);
    expect(opposed(brace, stylesOf({ pressesBack: "big toe" }))).toEqual([]);
  });
});

describe("the stance", () => {
  it("is guessed from the reach, to three centimetres", () => {
    expect([
      firstStance(183.1, 180),
      firstStance(183, 180),
      firstStance(177, 180),
      firstStance(176.9, 180),
    ]).toEqual(["trail ahead", "level", "level", "trail behind"]);
  });

  const turn = (stance: "level" | "trail ahead" | "trail behind", cm: number) => ({
    stance,
    measures: rep({ headDrift: [cm, 0.4], counterMove: [1, 0.3], wobble: [2, 0.3] }),
  });
  it("is the one in which the golfer wanders least, where that can be told", () => {
    const told = compareStances([
      turn("level", 8),
      turn("level", 8),
      turn("trail ahead", 3),
      turn("trail ahead", 3),
      turn("trail behind", 9),
      turn("trail behind", 9),
    ]);
    expect([told.steadiest, told.wander.map((w) => w.stance)]).toEqual([
      "trail ahead",
      ["trail ahead", "level", "trail behind"],
    ]);
    expect(
      compareStances([
        turn("level", 8),
        turn("level", 8),
        turn("trail ahead", 7.6),
        turn("trail ahead", 7.6),
        turn("trail behind", 9),
        turn("trail behind", 9),
      ]).steadiest,
    ).toBeNull();
    expect(
      compareStances([
        turn("level", 8),
        turn("level", 8),
        turn("trail ahead", 1),
        turn("trail behind", 9),
        turn("trail behind", 9),
      ]).steadiest,
    ).toBeNull();
  });
});

describe("which is it?", () => {
  const styles = stylesOf({});
  const said = (symptom: Parameters<typeof causesOf>[0], values: Parameters<typeof rep>[0]) => {
    const { measures } = profileOf([rep(values), rep(values)], ASK);
    return Object.fromEntries(
      causesOf(symptom, "iron", styles).map((c) => [
        c.measure,
        answer(c, measures[c.measure], 178).says,
      ]),
    );
  };
  it("two swings tell apart what a complaint may come from", () => {
    expect(
      said("sway", { pelvisSway: [2, 0.5], trailKneeOut: [8, 0.8], sideTiltChange: [-7, 2] }),
    ).toEqual({ pelvisSway: "not this", trailKneeOut: "it is this", sideTiltChange: "too close" });
    expect(said("endsOnTrail", { leadShareImpact: [64, 3], leadShareFinish: [90, 3] })).toEqual({
      leadShareFinish: "not this",
      leadShareImpact: "too close",
    });
    expect(said("thin", { trailHeelUpAt: [10, 6] })).toEqual({
      trailHeelUpAt: "it is this",
      hipsToBall: "not told",
    });
  });
  it("a complaint is looked for on the golfer's side of a question only", () => {
    expect(said("slice", { pelvisBeforeHands: [100, 8] })).toEqual({
      pelvisBeforeHands: "not this",
    });
    expect(said("slice", { pelvisBeforeHands: [10, 8] })).toEqual({
      pelvisBeforeHands: "it is this",
    });
  });
  it("every complaint has a cause that a picture shows", () => {
    for (const { id } of SYMPTOM_ROWS)
      expect(causesOf(id, "iron", styles).length, id).toBeGreaterThan(0);
  });
});
