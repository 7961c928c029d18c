import { describe, expect, it } from "vitest";
import type { FootFollow } from "../../motion/footMotion";
import { heelRises } from "./heelRise";
import { withStrike } from "./hands";

const follow = (u: (ms: number) => number): FootFollow => {
  const times = Float64Array.from({ length: 90 }, (_, i) => (i * 1000) / 60);
  return {
    times,
    t: new Float64Array(90),
    u: Float64Array.from(times, u),
    residual: new Float64Array(90).fill(3),
  };
};

describe("a rising heel", () => {
  it("is told where its picture leaves the place it stood at", () => {
    expect(
      heelRises(
        follow((ms) => -0.4 + Math.max(0, ms - 600) * 0.02),
        250,
      ),
    ).toBeCloseTo(635, -1);
  });
  it("is told across pictures in which the shoe was not found", () => {
    const rise = (ms: number) => Math.max(0, ms - 600) * 0.02;
    const gaps = (ms: number) => ((ms > 610 && ms < 640) || ms > 730 ? NaN : rise(ms));
    expect(Math.abs(heelRises(follow(gaps), 250) - 635)).toBeLessThan(17);
    expect(
      heelRises(
        follow((ms) => (ms > 610 && ms < 780 ? NaN : rise(ms))),
        250,
      ),
    ).toBeNaN();
  });
  it("is not told where the shoe only rolls, or comes back", () => {
    expect(
      heelRises(
        follow((ms) => 0.5 * Math.sin(ms / 150)),
        250,
      ),
    ).toBeNaN();
    expect(
      heelRises(
        follow((ms) => (ms > 600 && ms < 660 ? 1 : 0)),
        250,
      ),
    ).toBeNaN();
  });
});

describe("a strike that is heard", () => {
  it("draws the impact by its own certainty, and only when it is near", () => {
    const [sure, heard] = withStrike(1000, true, { ms: [1020], u: 1 });
    expect(sure).toBeCloseTo(1020, 0);
    expect(heard).toBe(1020);
    const [unsure] = withStrike(1000, false, { ms: [1020], u: 20 });
    expect(unsure).toBeLessThan(1006);
    expect(withStrike(1000, false, { ms: [1090], u: 1 })[1]).toBeUndefined();
  });
});
