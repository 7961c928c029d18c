import { describe, expect, it } from "vitest";
import { firstRun, nearest, risesThrough, toMs, toSample, valueAt, vertex } from "./clock";
import { middleTurn, pressureTurn, turnsOf } from "./turns";

const clock = { startMs: 100, dt: 0.02, n: 50 };

describe("a motion's clock", () => {
  it("goes from samples to times and back", () => {
    expect(toMs(clock, 3)).toBe(160);
    expect(toSample(clock, 160)).toBe(3);
    expect([0, 169, 171, 9e9].map((ms) => nearest(clock, ms))).toEqual([0, 3, 4, 49]);
  });

  it("gives values between samples by line, the ends beyond, and none for no time", () => {
    const x = Float64Array.from({ length: 50 }, (_, i) => i * 10);
    expect(valueAt(clock, x, 165)).toBeCloseTo(32.5);
    expect([valueAt(clock, x, 0), valueAt(clock, x, 9e9)]).toEqual([0, 490]);
    expect(valueAt(clock, x, NaN)).toBeNaN();
  });
});

describe("searching a channel", () => {
  const x = Float64Array.of(0, 0, 2, 6, 4, 8, 8, 1);

  it("finds where it rises through a limit, between samples, inside what is asked", () => {
    expect(risesThrough(x, 4, 0, 7)).toBe(2.5);
    expect(risesThrough(x, 5, 3, 7)).toBe(4.25);
    expect(risesThrough(x, 9, 0, 7)).toBeNaN();
    expect(risesThrough(x, 4, 0, 2)).toBeNaN();
  });

  it("finds the start of a run that is long enough", () => {
    const over = (limit: number) => (i: number) => x[i]! > limit;
    expect(firstRun(over(3), 2, 0, 7)).toBe(3);
    expect(firstRun(over(3), 4, 0, 7)).toBe(3);
    expect(firstRun(over(5), 2, 0, 7)).toBe(5);
    expect(firstRun(over(3), 2, 4, 7)).toBe(4);
    expect(firstRun(over(5), 3, 0, 7)).toBeNaN();
  });

  it("finds a parabola's vertex, and stays where there is none", () => {
    const at = (top: number) => Float64Array.from({ length: 9 }, (_, i) => -((i - top) ** 2));
    expect(vertex(at(4.3), 4, 2)).toBeCloseTo(4.3);
    expect(vertex(at(4), 1, 2)).toBe(1);
    expect(vertex(Float64Array.of(1, 1, 1), 1, 1)).toBe(1);
    expect(vertex(Float64Array.of(NaN, 1, 1), 1, 1)).toBe(1);
  });
});

describe("turn-arounds", () => {
  const dt = 0.01;
  const sine = (hz: number, size: number) =>
    Float64Array.from({ length: 400 }, (_, i) => size * Math.sin(2 * Math.PI * hz * i * dt));

  it("are where a slow swing comes back, on their sides, in turn", () => {
    const turns = turnsOf("hands", { startMs: 0, dt }, sine(0.5, 10), 5);
    expect(turns.map((t) => t.side).slice(0, 3)).toEqual(["target", "away", "target"]);
    turns.slice(0, 3).forEach((t, k) => expect(Math.abs(t.ms - (500 + 1000 * k))).toBeLessThan(12));
  });

  it("leave out what is too small or too quick", () => {
    expect(turnsOf("hands", { startMs: 0, dt }, sine(0.5, 2), 5)).toEqual([]);
    expect(turnsOf("hands", { startMs: 0, dt }, sine(9, 10), 5)).toEqual([]);
  });

  const hands = { of: "hands", ms: 1000, side: "target" } as const;
  const pressure = (ms: number, side: "target" | "away" = "target") =>
    ({ of: "pressure", ms, side }) as const;

  it("of the pressure belong to the hands' on the same side, within three tenths of a period", () => {
    const turns = [pressure(700), pressure(880), pressure(990, "away"), pressure(1250)];
    expect(pressureTurn(turns, hands, 1500)?.ms).toBe(880);
    expect(pressureTurn([pressure(500)], hands, 1500)).toBeNull();
    expect(pressureTurn([pressure(990, "away")], hands, 1500)).toBeNull();
  });

  it("of the middle of a period are those of the hands nearest to it", () => {
    const first = { ...hands, ms: 300 };
    expect(middleTurn([first, hands, pressure(900)], 200, 1700)).toEqual({
      hands: 1000,
      pressure: 900,
    });
    expect(middleTurn([first, hands], 200, 1700)).toEqual({ hands: 1000, pressure: null });
    expect(middleTurn([pressure(900)], 200, 1700)).toBeNull();
  });
});
