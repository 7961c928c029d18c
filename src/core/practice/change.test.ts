import { describe, expect, it } from "vitest";
import { DRILLS, findStage } from "../drills";
import { bodyDue } from "./body";
import { feltBy } from "./felt";
import { day, keptBouts, moved, overfull, skipped, swapped } from "./plan/change";
import { clashes } from "./plan/clashes";
import { daysBetween, laterDay, type KeptBout } from "./plan/week";
import { effects, feltAgainst, rateOf, sinceLastMonth, type BoutLine } from "./progress";
import { carriedStage, transferVerdict } from "./transfer";
import { knownOf, usualOf } from "./usual";

const bout = (id: string, more: Partial<KeptBout> = {}): KeptBout => ({
  id,
  day: "2026-11-30",
  place: "home",
  drillId: "double-step",
  stageId: "step-fo",
  sets: 3,
  reps: 8,
  minutes: 12,
  why: { kind: "goesOn" },
  fixed: false,
  state: "planned",
  ...more,
});

describe("a week that the golfer changes", () => {
  const week = [bout("a"), bout("b", { day: "2026-12-02" }), bout("c", { day: "2026-12-03" })];

  it("has a moved bout on its new day, in order, and keeps it there", () => {
    const to = { day: "2026-12-02", place: "range" as const, minutes: 30 };
    const after = moved(week, "c", to);
    expect(after.map((b) => b.id)).toEqual(["a", "b", "c"]);
    expect(after[2]).toMatchObject({ day: "2026-12-02", place: "range", fixed: true });
    expect(moved(week, "a", to).map((b) => b.id)).toEqual(["a", "b", "c"]);
    expect(moved(week, "none", to)).toEqual(week);
    expect(week[2]!.fixed).toBe(false);
  });

  it("leaves a bout out, and takes it in again", () => {
    const out = skipped(week, "b");
    expect(out.map((b) => b.state)).toEqual(["planned", "skipped", "planned"]);
    expect(skipped(out, "b")).toEqual(week);
  });

  it("puts another drill in a bout's place, no longer than that one", () => {
    for (const drill of DRILLS) {
      const [first] = swapped(week, "a", { drill, stage: { id: "s" } });
      expect(first).toMatchObject({ drillId: drill.id, stageId: "s", fixed: true });
      expect(first!.sets).toBeGreaterThanOrEqual(1);
      expect(first!.sets).toBeLessThanOrEqual(drill.dose.sets);
      if (first!.sets > 1) expect(first!.minutes).toBeLessThanOrEqual(12 + 1);
    }
  });

  it("says on which days there is more than there is time for", () => {
    const days = [
      { day: "2026-11-30", place: "home" as const, minutes: 10 },
      { day: "2026-12-02", place: "home" as const, minutes: 12 },
    ];
    expect(overfull(week, days)).toEqual([{ day: "2026-11-30", minutes: 12, has: 10 }]);
    expect(overfull(skipped(week, "a"), days)).toEqual([]);
  });

  it("comes from a page only as bouts that there can be", () => {
    const fits = (more: object) => keptBouts.safeParse([{ ...bout("a"), ...more }]).success;
    expect(fits({})).toBe(true);
    for (const wrong of [
      { day: "2026-02-30" },
      { day: "1999-12-31" },
      { sets: 0 },
      { sets: 1.5 },
      { reps: -1 },
      { place: "moon" },
      { id: "" },
      { minutes: NaN },
      { why: { kind: "none" } },
      { state: "lost" },
    ])
      expect(fits(wrong), JSON.stringify(wrong)).toBe(false);
    expect(day.safeParse("2024-02-29").success).toBe(true);
    expect(keptBouts.safeParse(Array.from({ length: 101 }, () => bout("a"))).success).toBe(false);
  });
});

describe("days", () => {
  it("are counted across months, leap years and the change of clocks", () => {
    expect(laterDay("2026-12-31", 1)).toBe("2027-01-01");
    expect(laterDay("2024-02-28", 1)).toBe("2024-02-29");
    expect(laterDay("2026-03-28", 2)).toBe("2026-03-30");
    expect(laterDay("2026-03-01", -1)).toBe("2026-02-28");
    expect(daysBetween("2026-03-28", "2026-03-30")).toBe(2);
    expect(daysBetween("2027-01-01", "2026-12-31")).toBe(-1);
  });
});

describe("two drills of one day", () => {
  const drillOf = (id: string) => DRILLS.find((d) => d.id === id) ?? null;
  const pairs = DRILLS.flatMap((a) =>
    DRILLS.filter((b) => b.number > a.number).map((b) => [a.id, b.id] as const),
  );
  const clashing = (ids: readonly string[], days: readonly string[] = []) =>
    clashes(
      ids.map((drillId, i) => bout(`${i}`, { drillId, day: days[i] ?? "2026-11-30" })),
      drillOf,
    );

  it("clash once, however often they are done, and not on two days", () => {
    const [a, b] = pairs.find((p) => clashing(p).length)!;
    expect(clashing([a, b, a, b])).toHaveLength(1);
    expect(clashing([a, b], ["2026-11-30", "2026-12-01"])).toEqual([]);
    expect(clashing([a, a])).toEqual([]);
    expect(clashing([a, "gone"])).toEqual([]);
    expect(clashing([b, a])[0]!.conflicts).toHaveLength(clashing([a, b])[0]!.conflicts.length);
  });
});

describe("what the body is asked", () => {
  const heavy = Array.from({ length: 12 }, () => ({ done: 40 }));

  it("is asked once before a day's first bout, and once after a heavy one", () => {
    expect(bodyDue({}, "2026-12-01", [])).toBe("before");
    expect(bodyDue({ before: "2026-12-01" }, "2026-12-01", [])).toBeNull();
    expect(bodyDue({ before: "2026-11-30" }, "2026-12-01", [])).toBe("before");
    expect(bodyDue({}, "2026-12-01", [{ done: 3 }])).toBeNull();
    expect(bodyDue({}, "2026-12-01", heavy)).toBe("after");
    expect(bodyDue({ after: "2026-12-01" }, "2026-12-01", heavy)).toBeNull();
  });
});

describe("what was felt", () => {
  it("is held against the first share that a stage asks for, on the lead foot", () => {
    const by = (measure: string) => feltBy({ checks: [{ measure }] as never });
    expect(by("leadShareImpact")!.onLead(80)).toBe(80);
    expect(by("trailSharePeak")!.onLead(80)).toBe(20);
    expect(by("pelvisSway")).toBeNull();
  });

  it("lies off by its middle and its middle half", () => {
    const pair = (off: number) => ({ felt: 50 + off, estimated: 50, u: 5 });
    expect(feltAgainst([-30, -2, 0, 4, 6].map(pair))).toEqual({
      n: 5,
      middle: 0,
      low: -2,
      high: 4,
    });
    expect(feltAgainst([])).toBeNull();
  });
});

describe("a normal swing", () => {
  const { stage } = findStage("double-step");
  const carried = carriedStage(stage)!;
  const all = (value: (c: (typeof carried.checks)[number]) => number) =>
    Object.fromEntries(
      carried.checks.map((c) => [
        c.measure,
        { value: value(c), u: 0.01, unit: "cm", state: "measured" as const },
      ]),
    );

  it("is held to what a drill carries over: none of its steps and set-up", () => {
    expect(carried.actions).toEqual([]);
    expect(carried.checks.length).toBeGreaterThan(0);
    expect(carried.checks.length).toBeLessThan(stage.checks.length);
    expect(
      transferVerdict(
        carried,
        all((c) => c.target),
        178,
      ),
    ).toBe("pass");
    expect(
      transferVerdict(
        carried,
        all((c) => c.fault),
        178,
      ),
    ).toBe("fail");
    expect(transferVerdict(carried, {}, 178)).toBe("not judged");
    expect(carriedStage({ ...stage, checks: [] })).toBeNull();
  });
});

describe("progress", () => {
  const line = (d: string, passed: number, failed: number, more: Partial<BoutLine> = {}) => ({
    day: d,
    drillId: "double-step",
    stageId: "s",
    place: null,
    club: null,
    passed,
    failed,
    notJudged: 1,
    ...more,
  });

  it("adds bouts up by their reps, not by their rates", () => {
    expect(rateOf([line("2026-11-01", 1, 0), line("2026-11-02", 0, 3)])).toMatchObject({
      rate: 0.25,
      judged: 4,
      notJudged: 2,
    });
  });

  it("sets the last 30 days against the 30 before, by the day", () => {
    const lines = [line("2026-11-02", 9, 1), line("2026-11-01", 1, 9), line("2026-09-01", 9, 0)];
    const month = sinceLastMonth(lines, "2026-12-01")!;
    expect([month.now.rate, month.before.rate]).toEqual([0.9, 0.1]);
    expect(month.change).toMatchObject({ by: 0.8, sure: true });
    expect(sinceLastMonth(lines.slice(0, 1), "2026-12-01")).toBeNull();
    // What is dated ahead counts for nothing.
    expect(sinceLastMonth([line("2026-12-09", 5, 5), ...lines], "2026-12-01")!.now.judged).toBe(10);
  });

  it("tells place, club and rest apart by the two commonest of each", () => {
    const lines = [
      line("2026-11-01", 8, 2, { place: "home", club: "iron" }),
      line("2026-11-02", 2, 8, { place: "range", club: "iron" }),
      line("2026-11-05", 1, 0, { place: "hall" }),
    ];
    const [place, ...others] = effects(lines);
    expect([place!.of, place!.one.name, place!.other.name]).toEqual(["place", "home", "range"]);
    expect(place!.change.by).toBeCloseTo(-0.6);
    expect(others.map((e) => e.of)).toEqual(["rest"]);
    expect(effects([])).toEqual([]);
  });
});

describe("a measure over some reps", () => {
  it("is usually in the middle, and spreads no less than the film's doubt", () => {
    const rows = (values: number[], u: number) => values.map((value) => ({ value, u }));
    expect(usualOf(rows([1, 2, 3, 4, 90], 0.1))).toEqual({ middle: 3, spread: 1.4826 });
    expect(usualOf(rows([3, 3, 3], 2)).spread).toBe(2);
  });

  it("counts only reps that have it", () => {
    const rep = (id: string, value: number | null, u: number | null) => ({
      id,
      measures: { pelvisSway: { value, u } },
    });
    const reps = [rep("a", 1, 0.5), rep("b", null, null), rep("c", 2, null)];
    expect(knownOf(reps, "pelvisSway")).toEqual([{ id: "a", value: 1, u: 0.5 }]);
    expect(knownOf(reps, "headDrift")).toEqual([]);
  });
});
