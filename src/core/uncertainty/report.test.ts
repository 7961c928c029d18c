import { describe, expect, it } from "vitest";
import { handMade } from "../../../tests/core/handMade";
import type { MeasureId } from "../measures";
import type { RepContext } from "../reps";
import type { Problem } from "../scene";
import type { ErrorTable } from "./errors";
import { reportEvent, reportMeasure, type ErrorSources } from "./report";
import { joined, spread, type Sampled } from "./sample";
import { SAME_REP_MS, unreadOf } from "./unreadYet";

const errors: ErrorTable = {
  measures: {
    pelvisSway: { offset: 0.5, sd: 3, n: 40 },
    "pelvisSway/step": { offset: -1, sd: 6, n: 40 },
    leadShareImpact: { offset: 0, sd: 0, n: 40 },
    backTime: { offset: 0, sd: 0, n: 40 },
    leadHeelHeightTop: { offset: 0, sd: 1, n: 40 },
  },
  events: { top: { offset: 12, sd: 9, n: 40 }, impact: { offset: 0, sd: 8, n: 40 } },
  footEvents: {},
};
const copies = (id: MeasureId, list: number[]): Sampled => ({
  copies: 10,
  events: new Map([
    ["top", []],
    ["impact", []],
  ]) as unknown as Sampled["events"],
  measures: new Map([[id, list]]),
  footEvents: [],
  shares: [],
});
const ten = (list: number[]) => [...list, ...Array.from({ length: 10 - list.length }, () => 0)];
const sources = (more: Partial<ErrorSources> = {}): ErrorSources => ({
  sampled: copies("pelvisSway", ten([])),
  frameMs: 4,
  errors,
  sort: "planted",
  unread: unreadOf(null, {} as never),
  rolledShare: 0,
  ...more,
});

describe("a measure", () => {
  it("is told less its method's offset, with that method's error", () => {
    const told = reportMeasure("pelvisSway", { value: 5, atMs: 700 }, sources(), []);
    expect(told).toEqual({ value: 4.5, u: 3, unit: "cm", state: "measured", at: 700 });
    const stepped = reportMeasure("pelvisSway", { value: 5 }, sources({ sort: "step" }), []);
    expect([stepped.value, stepped.u]).toEqual([6, 6]);
    // What was not fitted for a sort on its own has that of planted feet.
    const behind = reportMeasure("pelvisSway", { value: 5 }, sources({ sort: "behind" }), []);
    expect(behind.value).toBe(4.5);
  });

  it("adds errors as squares: copies, pictures, roll, and what was not read", () => {
    const u = (id: MeasureId, more: Partial<ErrorSources> = {}) =>
      reportMeasure(id, { value: 50 }, sources(more), []).u;
    expect(
      u("pelvisSway", { sampled: copies("pelvisSway", [-4, 4, -4, 4, -4, 4, -4, 4]) }),
    ).toBeCloseTo(Math.hypot(3, spread([-4, 4, -4, 4, -4, 4, -4, 4])));
    expect(u("backTime")).toBeCloseTo(4 * Math.SQRT2);
    expect(u("leadShareImpact", { rolledShare: 7 })).toBeCloseTo(7);
    expect(u("pelvisSway", { rolledShare: 7 })).toBe(3);
    const unread = { ...sources().unread, measure: () => 4 };
    expect(u("pelvisSway", { unread })).toBe(5);
  });

  it("is not told where copies, fit or frames do not carry it, and says why", () => {
    const why = (id: MeasureId, more: Partial<ErrorSources> = {}) => {
      const m = reportMeasure(id, { value: 5 }, sources(more), []);
      return [m.state, m.u, m.reason];
    };
    const rare = copies("pelvisSway", [1, 2, 3, 4, 5, 6, 7]);
    const refused = ["not measurable", null, "the film does not carry it"];
    expect(why("pelvisSway", { sampled: rare })).toEqual(refused);
    expect(why("pelvisSway", { sampled: copies("pelvisSway", ten([]).slice(2)) })[0]).toBe(
      "measured",
    );
    expect(why("headDrift")).toEqual(refused);
    const unread = { ...sources().unread, measure: () => Infinity };
    expect(why("pelvisSway", { unread })[2]).toBe("too little has been read yet");
    expect(reportMeasure("pelvisSway", { value: NaN, why: "noStep" }, sources(), [])).toMatchObject(
      { value: null, reason: "the foot did not step" },
    );
  });

  it("is spoiled by a problem of what it reads alone", () => {
    const problem = (touches: string) =>
      [{ code: "feetCut", message: "The feet are cut off.", touches }] as unknown as Problem[];
    const state = (id: MeasureId, touches: string) =>
      reportMeasure(id, { value: 2 }, sources(), problem(touches));
    expect(state("leadHeelHeightTop", "feet")).toMatchObject({
      value: 2,
      u: null,
      reason: "The feet are cut off.",
      because: "feetCut",
    });
    expect(state("leadHeelHeightTop", "head").state).toBe("measured");
    expect(state("pelvisSway", "feet").state).toBe("measured");
    expect(state("pelvisSway", "rep").state).toBe("not measurable");
  });
});

describe("an event", () => {
  const { rep } = handMade();
  const context = (u: number) =>
    ({
      strikes: { ms: [1298], u },
      rules: { kind: "swing", clubAhead: false },
    }) as unknown as RepContext;

  it("by the picture is less its offset; its error is that of method and picture", () => {
    const { t, u } = reportEvent("top", rep, sources(), context(5));
    expect(t).toBe(988);
    expect(u).toBeCloseTo(Math.hypot(4, 9));
  });

  it("that was heard as well is surer than by the picture alone, and never by more than heard", () => {
    const seen = reportEvent("impact", rep, sources(), context(5)).u;
    const heard = reportEvent("impact", { ...rep, struckMs: 1298 }, sources(), context(5)).u;
    expect(heard).toBeLessThan(seen);
    const loose = reportEvent("impact", { ...rep, struckMs: 1298 }, sources(), context(40)).u;
    expect(loose).toBeGreaterThan(heard);
  });
});

describe("copies", () => {
  it("that were read in parts are joined in their order", () => {
    const part = (values: number[]): Sampled => ({
      copies: values.length,
      events: new Map([["top", values]]),
      measures: new Map([["pelvisSway", values]]),
      footEvents: [values],
      shares: values.map((v) => Float64Array.of(v)),
    });
    const first = part([1, 2]);
    const both = joined([first, part([3])]);
    expect(both.copies).toBe(3);
    for (const list of [
      both.events.get("top"),
      both.measures.get("pelvisSway"),
      both.footEvents[0],
    ])
      expect(list).toEqual([1, 2, 3]);
    expect(both.shares.map((s) => s[0])).toEqual([1, 2, 3]);
    // The parts stay as they were.
    expect(first.events.get("top")).toEqual([1, 2]);
  });

  it("spread by their standard deviation, less drawn by one that strays", () => {
    expect(spread([5])).toBe(0);
    expect(spread([1, 2, 3, 4, 5])).toBeCloseTo(Math.sqrt(2.5));
    const strays = [1, 2, 3, 4, 5, 6, 7, 8, 9, 400];
    expect(spread(strays)).toBeLessThan(70);
    expect(spread(strays)).toBeGreaterThan(3);
  });
});

describe("what was not read yet", () => {
  const { motion, rep, rules } = handMade();

  it("is nothing of a whole track, and anything of one in which the rep was not found", () => {
    expect(unreadOf(null, rules).measure("pelvisSway", 7)).toBe(0);
    const open = unreadOf({ rep: null }, rules);
    expect(open.measure("pelvisSway", 7)).toBe(Infinity);
    expect(open.event("top", 1000)).toBe(SAME_REP_MS);
  });

  it("is as much as half of the frames says otherwise", () => {
    const footEvents = [{ foot: "lead", event: "landing", ms: 900 }] as never;
    const half = unreadOf({ rep: { motion, rep: { ...rep, footEvents } } }, rules);
    // Half of the frames have no sway, and the top at 1,000.
    expect(half.measure("pelvisSway", 1.5)).toBe(1.5);
    expect(half.event("top", 1040)).toBe(40);
    expect(half.event("top", 5000)).toBe(SAME_REP_MS);
    expect(half.event("lost", 1000)).toBe(SAME_REP_MS);
    const landing = { foot: "lead", event: "landing", ms: 930 } as never;
    expect(half.footEvent(landing)).toBe(30);
    expect(half.footEvent({ foot: "trail", event: "landing", ms: 900 } as never)).toBe(SAME_REP_MS);
  });
});
