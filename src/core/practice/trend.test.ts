import { describe, expect, it } from "vitest";
import { seeded } from "../maths/seeded";
import { passRate, rateChange, wilson } from "./passRate";
import { mannKendall, theilSen, trendOf, type DayValue } from "./trend";

const row = (n: number, of: (i: number) => number): DayValue[] =>
  Array.from({ length: n }, (_, i) => ({ day: 2 * i, value: of(i) }));

describe("what a row of days carries", () => {
  it("is a slope, a step or nothing", () => {
    const random = seeded(8);
    const noise = Array.from({ length: 40 }, () => random.normal());
    const slope = trendOf(row(40, (i) => 50 + i + noise[i]!));
    expect(slope.kind).toBe("slope");
    expect(slope.kind === "slope" && slope.perWeek).toBeCloseTo(3.5, 0);
    const step = trendOf(row(40, (i) => (i < 25 ? 50 : 58) + noise[i]!));
    expect(step).toMatchObject({ kind: "step", day: 50 });
    expect(trendOf(row(7, (i) => i)).kind).toBe("none");
  });

  it("is said of mere chance about once in twenty", () => {
    const random = seeded(3);
    const said = Array.from({ length: 1000 }, () => trendOf(row(12, () => random.normal()))).filter(
      (t) => t.kind !== "none",
    ).length;
    expect(said).toBeLessThan(75);
    expect(said).toBeGreaterThan(10);
  });

  it("agrees with worked examples", () => {
    // S = 36 of 10 in order but for pairs: z = (S − 1) / √(n(n−1)(2n+5)/18).
    expect(mannKendall([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])).toBeCloseTo(44 / Math.sqrt(125), 6);
    expect(mannKendall([3, 3, 3, 3])).toBe(0);
    expect(
      theilSen([
        { day: 0, value: 1 },
        { day: 1, value: 3 },
        { day: 2, value: 40 },
      ]),
    ).toBe(19.5);
  });
});

describe("pass rates", () => {
  it("are wide for few, keep what was not judged apart, and are never outside 0 to 1", () => {
    expect(wilson(8, 10).map((v) => Math.round(v * 100))).toEqual([49, 94]);
    expect(wilson(0, 3)[0]).toBeCloseTo(0, 12);
    expect(wilson(3, 3)[1]).toBeCloseTo(1, 12);
    expect(passRate(["pass", "fail", "not judged", null, "pass"])).toMatchObject({
      judged: 3,
      passed: 2,
      notJudged: 1,
    });
    expect(passRate([])).toMatchObject({ rate: null, low: 0, high: 1 });
  });

  it("changed only where the interval leaves no change out", () => {
    const of = (passed: number, judged: number) =>
      passRate(Array.from({ length: judged }, (_, i) => (i < passed ? "pass" : "fail")));
    // Newcombe's own example: 56 of 70 against 48 of 80 differ by 0.20, 0.0524 to 0.3339.
    const change = rateChange(of(48, 80), of(56, 70))!;
    expect([change.by, change.low, change.high].map((v) => v.toFixed(4))).toEqual([
      "0.2000",
      "0.0524",
      "0.3339",
    ]);
    expect(change.sure).toBe(true);
    expect(rateChange(of(5, 10), of(8, 10))!.sure).toBe(false);
    expect(rateChange(of(0, 0), of(1, 2))).toBeNull();
  });
});
