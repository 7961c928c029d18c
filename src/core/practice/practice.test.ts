import { describe, expect, it } from "vitest";
import { findStage } from "../drills";
import { untellable } from "../drills/tellable";
import type { Measured } from "../judge/verdict";
import { bestBands } from "./bestBands";
import { judgeAgain, wouldSay, type KeptRep } from "./judgeAgain";

const { stage } = findStage("heel-toe-swap", "back-fo");
const withBand = (band: [number | null, number | null]) => ({
  ...stage,
  checks: stage.checks.map((c) => (c.id === "pelvis-sway" ? { ...c, band } : c)),
});
const m = (value: number, u: number): Measured => ({ value, u, unit: "cm", state: "measured" });
const rep = (id: string, sway: number, more: Partial<KeptRep> = {}): KeptRep => ({
  id,
  statureCm: 178,
  measures: { pelvisSway: m(sway, 0.5), headDrift: m(4, 0.6), thoraxTurnBack: m(70, 5) },
  actions: [],
  problems: [],
  result: "pass",
  ...more,
});

describe("judging kept reps again", () => {
  it("says what another band would have said, from the measures alone", () => {
    const reps = [rep("a", 2), rep("b", 6, { result: "fail" })];
    expect(
      wouldSay(withBand([null, 8]), reps).map((c) => [c.id, c.before, c.after.result]),
    ).toEqual([
      ["a", "pass", "pass"],
      ["b", "fail", "pass"],
    ]);
    expect(wouldSay(withBand([null, 0.5]), reps).map((c) => c.after.result)).toEqual([
      "fail",
      "fail",
    ]);
  });

  it("never makes a pass of what was not measured, or of a clip that can't be judged", () => {
    expect(
      judgeAgain(stage, rep("a", 2, { measures: { thoraxTurnBack: m(70, 5) } })),
    ).toMatchObject({
      result: "not judged",
      reason: { code: "notMeasurable" },
    });
    expect(
      judgeAgain(
        stage,
        rep("a", 2, {
          problems: [{ code: "dark", message: "Dark.", action: "Light.", touches: "rep" }],
        }),
      ).result,
    ).toBe("not judged");
    const { stage: steps } = findStage("double-step");
    expect(
      judgeAgain(steps, { statureCm: 178, measures: {}, actions: [], problems: [] }).result,
    ).toBe("not judged");
  });
});

describe("bands from the best reps", () => {
  const many = [1, 1.5, 2, 2.5, 3, 2, 1.8, 2.2, 2.4, 1.6].map((v, i) => rep(`good${i}`, v));
  it("are where a rep like the best still passes", () => {
    const found = bestBands(stage, [...many, rep("bad", 9, { result: "fail" })])!;
    expect(found.used).toHaveLength(10);
    expect(found.used).not.toContain("bad");
    const [lo, hi] = found.bands["pelvis-sway"]!;
    expect(lo).toBeNull();
    expect(hi).toBeGreaterThan(3);
    expect(hi).toBeLessThan(5);
    for (const c of wouldSay(withBand([lo, hi]), many)) expect(c.after.result, c.id).toBe("pass");
  });

  it("scale to 178 cm, and are not made of a few", () => {
    const short = bestBands(
      stage,
      many.map((r) => ({ ...r, statureCm: 152 })),
    )!.bands["pelvis-sway"]![1]!;
    expect(short).toBeGreaterThan(bestBands(stage, many)!.bands["pelvis-sway"]![1]!);
    expect(bestBands(stage, many.slice(0, 4))).toBeNull();
  });
});

describe("a band that a phone can't tell", () => {
  const of = (band: [number | null, number | null]) =>
    untellable(
      withBand(band).checks.find((c) => c.id === "pelvis-sway")!,
      stage,
    );
  it("is said, with how well the phone tells it", () => {
    expect(of([null, 4])).toBeNull();
    expect(of([1, 2])).toMatchObject({ shut: true });
    expect(of([null, 1.6])!.words).toContain("too close to call");
    expect(of([null, 6.9])!.words).toContain("fault");
  });
});
