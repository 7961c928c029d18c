import { describe, expect, it } from "vitest";
import { follow, handMade, level, line, spell } from "../../../tests/core/handMade";
import { SEGMENTS } from "./deLeva";
import { largestTurn } from "./footDirection";
import { footRound, placeOnClock, samePlace } from "./footMotion";
import { partHeight } from "./partHeight";
import { perMotion } from "./perMotion";
import { turnByWidth, turnRate } from "./turn";

describe("the body's segments", () => {
  it("weigh one body together: head, trunk, and two of all others", () => {
    const { head, trunk, ...limbs } = SEGMENTS;
    const twice = Object.values(limbs).reduce((sum, s) => sum + 2 * s.mass, 0);
    expect(head.mass + trunk.mass + twice).toBeCloseTo(1, 2);
    for (const { centre } of Object.values(SEGMENTS)) {
      expect(centre).toBeGreaterThan(0.35);
      expect(centre).toBeLessThanOrEqual(1);
    }
  });
});

describe("where a foot stands", () => {
  const foot = { spells: [spell(10, 200, 500), spell(30, 700, 1200)] };

  it("is level in a spell, straight between two, and the nearest one's outside", () => {
    const { ankleT, toeT } = placeOnClock(foot, 0, 0.01, 201);
    expect([0, 35, 60, 100, 190].map((i) => ankleT[i])).toEqual([10, 10, 20, 30, 30]);
    expect(toeT[100]! - ankleT[100]!).toBe(6);
  });

  it("round a part of the film keeps what is near, and one spell beyond", () => {
    const many = { spells: [0, 3000, 6000, 9000].map((ms) => spell(5, ms, ms + 500)) };
    const kept = (from: number, to: number) =>
      footRound(many, from, to).spells.map((s) => s.fromMs);
    expect(kept(6100, 6400)).toEqual([3000, 6000, 9000]);
    expect(kept(3100, 3400)).toEqual([0, 3000, 6000]);
    expect(kept(20_000, 21_000)).toEqual([9000]);
    expect(kept(-9000, 10_000)).toEqual([0, 3000, 6000, 9000]);
    // What was followed long before is cut off.
    const heel = follow(level(1));
    const cut = footRound({ spells: [spell(5, 0, 9000, { heel })] }, 1500, 1600).spells[0]!;
    expect(cut.heel.times[0]).toBe(500);
    expect(cut.heel.t).toHaveLength(cut.heel.times.length);
  });

  it("is one place within 3 cm", () => {
    expect(samePlace({ ankleT: 5 }, { ankleT: 7.9 })).toBe(true);
    expect(samePlace({ ankleT: 5 }, { ankleT: 8 })).toBe(false);
  });
});

describe("a heel's height", () => {
  it("starts from the median of the 0.3 s before address", () => {
    const jumps = level(3).map((v, i) => (i === 15 ? 40 : i > 100 ? 9 : v));
    const { motion } = handMade({ joints: { lead: { heel: { t: level(16), u: jumps } } } });
    const height = partHeight(motion, "lead", "heel", 20);
    expect([height[20], height[150]]).toEqual([0, 6]);
  });

  it("keeps the network's place where the picture lost the shoe", () => {
    const heel = follow(level(0), line([500, 0], [1000, 5]));
    heel.u[90] = NaN;
    heel.residual[95] = 6;
    const { motion } = handMade({ spells: { lead: [spell(18, 0, 2000, { heel })] } });
    const height = partHeight(motion, "lead", "heel", 20);
    expect(height[80]).toBeCloseTo(3);
    expect([height[90], height[95]]).toEqual([0, 0]);
  });
});

describe("a turn", () => {
  it("by width goes away from the target until square again, then toward it", () => {
    const width = line([200, 30], [900, 15], [1250, 30], [1600, 21]);
    const half = { t: width.map((v) => v / 2), u: level(95) };
    const other = { t: width.map((v) => -v / 2), u: level(95) };
    const { motion } = handMade({ joints: { lead: { hip: half }, trail: { hip: other } } });
    const turn = turnByWidth(motion, "hip", 90, 125);
    expect(Math.abs(turn[90]! + 60)).toBeLessThan(4);
    expect(Math.abs(turn[10]!)).toBeLessThan(8);
    expect(Math.abs(turn[160]! - 45)).toBeLessThan(5);
    const rate = turnRate(turn, 0.01);
    expect(rate[110]!).toBeGreaterThan(60);
    expect(rate[50]!).toBeLessThan(0);
  });

  it("of a foot is its largest change with its sign, from when it was last seen", () => {
    const degrees = line([500, 4], [800, -26], [1200, 14]);
    expect(largestTurn(degrees, 50, 150, 0.01)).toBe(-30);
    expect(largestTurn(degrees, 80, 150, 0.01)).toBe(40);
    expect(largestTurn(degrees, 50, 150, 0.01, 0)).toBe(-26);
  });

  it("of a foot is not told where it was out of sight for long", () => {
    const hidden = (from: number, to: number) =>
      line([500, 4], [800, -26]).map((v, i) => (i >= from && i < to ? NaN : v));
    expect(largestTurn(hidden(60, 62), 50, 150, 0.01)).toBe(-30);
    expect(largestTurn(hidden(60, 140), 50, 150, 0.01)).toBeNaN();
    expect(largestTurn(hidden(0, 201), 50, 150, 0.01)).toBeNaN();
  });
});

describe("what depends on a motion alone", () => {
  it("is computed once for each motion", () => {
    let count = 0;
    const of = perMotion((m) => [count++, m.n]);
    const [a, b] = [handMade().motion, handMade().motion];
    expect(of(a)).toBe(of(a));
    expect(of(b)).not.toBe(of(a));
    expect(count).toBe(2);
  });
});
