import { describe, expect, it } from "vitest";
import {
  corrections,
  golferBy,
  outOfOrder,
  overruledBy,
  overridesOf,
  withCorrection,
  type Correction,
} from "./corrections";

const ids = [
  "0b0e7c1e-6f1c-4a39-9a39-0d5f3f4c2a11",
  "0b0e7c1e-6f1c-4a39-9a39-0d5f3f4c2a12",
  "0b0e7c1e-6f1c-4a39-9a39-0d5f3f4c2a13",
] as const;
const top = (id: number, was: number, now: number): Correction => ({
  id: ids[id]!,
  kind: "event",
  event: "top",
  was,
  u: 8,
  now,
});
const lands = (id: number, was: number | null, now: number | null): Correction => ({
  id: ids[id]!,
  kind: "foot",
  foot: "lead",
  event: "landing",
  was,
  u: was === null ? null : 5,
  now,
});

describe("a rep's corrections", () => {
  it("keep what was computed beside what is said last, and are none when that is what was computed", () => {
    const twice = withCorrection(withCorrection([], top(0, 2300, 2350)), top(1, 2350, 2280));
    expect(twice).toEqual([top(1, 2300, 2280)]);
    expect(withCorrection(twice, top(2, 2280, 2300))).toEqual([]);
    const moved = withCorrection(
      withCorrection([top(0, 2300, 2350)], lands(1, 2400, 2450)),
      lands(2, 2450, null),
    );
    expect(moved).toEqual([top(0, 2300, 2350), lands(2, 2400, null)]);
    // What was put in by hand and is taken away again was never there.
    expect(withCorrection([lands(0, null, 2500)], lands(1, 2500, null))).toEqual([]);
    expect(corrections.parse(moved)).toEqual(moved);
  });

  it("say all of it together, the last of each", () => {
    const golfer: Correction = {
      id: ids[0],
      kind: "golfer",
      was: { hand: "right", statureCm: 170 },
      now: { hand: "left", statureCm: 182 },
    };
    const over: Correction = {
      id: ids[1],
      kind: "verdict",
      was: "fail",
      now: "pass",
      reason: "I stepped.",
    };
    expect(overridesOf([top(0, 2300, 2350), lands(1, 2400, null), golfer, over])).toEqual({
      events: { top: 2350 },
      feet: [{ foot: "lead", event: "landing", from: 2400, to: null }],
    });
    expect(golferBy([golfer], { hand: "right", statureCm: 170 })).toEqual(golfer.now);
    expect(overruledBy([over])).toBe(over);
    expect(overridesOf([golfer, over])).toEqual({});
  });

  it("can't have a strike before the top, nor a foot that lands before it leaves", () => {
    const step = (...events: ["liftOff" | "landing", number][]) =>
      events.map(([event, t]) => ({ foot: "lead" as const, event, t }));
    const good = {
      events: { handStart: { t: 1 }, top: { t: 2 }, impact: { t: 3 } },
      footEvents: step(["liftOff", 1], ["landing", 2], ["liftOff", 3]),
    };
    const said = [top(0, 5, 2), lands(1, 5, 2)];
    expect(outOfOrder(good, said)).toBeNull();
    expect(outOfOrder({ ...good, events: { ...good.events, impact: { t: 1.5 } } }, said)).toMatch(
      /the strike comes after the top/,
    );
    expect(
      outOfOrder(
        { ...good, footEvents: step(["liftOff", 1], ["liftOff", 2], ["landing", 3]) },
        said,
      ),
    ).toMatch(/lead foot leaves before it lands/);
    expect(outOfOrder({ ...good, footEvents: step(["landing", 1], ["liftOff", 2]) }, said)).toMatch(
      /lead foot leaves before it lands/,
    );
    // What the program lost is not the golfer's to answer for.
    expect(
      outOfOrder(
        {
          events: { top: { t: 2 }, impact: { t: 1 } },
          footEvents: step(["landing", 1], ["landing", 2]),
        },
        [],
      ),
    ).toBeNull();
  });
});
