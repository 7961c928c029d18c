import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { RepSeries } from "@/core/analysis";
import {
  CARD,
  fanX,
  FILM,
  PHONE_STRIP,
  pushApart,
  runs,
  sampleAt,
  shareToT,
  stripScales,
  TINY,
  visible,
} from "./geometry";

const t = Array.from({ length: 31 }, (_, i) => i * 100);
const flat = (v: number) => t.map(() => v);
const series = {
  t,
  leadFootT: flat(18),
  trailFootT: flat(-18),
  leadShare: flat(50),
} as unknown as RepSeries;
const EVENTS = { address: 500, top: 1500, impact: 1800, finish: 2400 };

describe("a strip's scales", () => {
  it("run from a little before the stillness to after the finish, inside what was filmed", () => {
    const s = stripScales(CARD, series, EVENTS, "right");
    expect([s.from, s.to]).toEqual([320, 2480]);
    expect([s.y(320), s.y(2480)]).toEqual([0, CARD.height]);
    const open = stripScales(CARD, series, { handStart: 600, impact: 2900 }, "right");
    expect([open.from, open.to]).toEqual([420, 3000]);
    expect(stripScales(CARD, series, EVENTS, "right", [1400, 1900])).toMatchObject({
      from: 1400,
      to: 1900,
    });
  });

  it("have the target on the right for a right-hander, on the left for a left-hander", () => {
    for (const size of [TINY, CARD, FILM, PHONE_STRIP]) {
      const right = stripScales(size, series, EVENTS, "right");
      const left = stripScales(size, series, EVENTS, "left");
      expect(right.x(18)).toBeGreaterThan(right.x(-18));
      expect(left.x(18)).toBeLessThan(left.x(-18));
      expect(right.x(0)).toBeCloseTo(size.width / 2);
    }
  });

  it("show all of a wide stance, with land beyond both feet", () => {
    const wide = { ...series, leadFootT: flat(60), trailFootT: flat(-60) };
    const s = stripScales(CARD, wide, EVENTS, "right");
    expect(s.x(-60)).toBeGreaterThan(0);
    expect(s.x(60)).toBeLessThan(CARD.width);
  });

  it("stand on the body's rear edge and the toes from behind", () => {
    const behind = { rear: flat(-20), heels: flat(0), toes: flat(26), hands: flat(40) };
    const s = stripScales(CARD, { ...series, behind }, EVENTS, "right");
    expect(s.x(3)).toBeCloseTo(CARD.width / 2);
  });

  it("do not fail for a rep of which nothing was seen", () => {
    const none = { t: [], leadFootT: [], trailFootT: [] } as unknown as RepSeries;
    expect(stripScales(CARD, none, {}, "right").x(0)).toBeCloseTo(CARD.width / 2);
  });
});

describe("places on a strip", () => {
  it("lie between the feet by the share, and at the nearest sample", () => {
    expect([0, 50, 100].map((share) => shareToT(series, 3, share))).toEqual([-18, 0, 18]);
    expect([-50, 149, 151, 9e9].map((ms) => sampleAt(series, ms))).toEqual([0, 1, 2, 30]);
    expect(visible(series, 250, 510)).toEqual([3, 4, 5]);
  });

  it("of a flag are runs of one value", () => {
    const flag = [0, 0, 1, 1, 1, 0];
    expect(runs(flag, [0, 1, 2, 3, 4, 5])).toEqual([
      { on: false, from: 0, to: 1 },
      { on: true, from: 2, to: 4 },
      { on: false, from: 5, to: 5 },
    ]);
    expect(runs(flag, [3, 5])).toHaveLength(2);
    expect(runs(flag, [])).toEqual([]);
  });

  it("of a fan go the way the toe goes, for either hand", () => {
    for (const hand of ["right", "left"] as const) {
      const s = stripScales(CARD, series, EVENTS, hand);
      const turned = fanX(series, "trail", 55, s, CARD) - s.x(-18);
      expect(Math.sign(turned)).toBe(s.toTarget);
      expect(fanX(series, "trail", 0, s, CARD)).toBe(s.x(-18));
    }
  });
});

describe("labels", () => {
  const places = fc.array(fc.double({ min: 0, max: 400, noNaN: true }), {
    minLength: 1,
    maxLength: 12,
  });

  it("that would overlap are pushed apart, keep their order and stay inside", () => {
    fc.assert(
      fc.property(places, (wanted) => {
        const out = pushApart(wanted, 20, 0, 400);
        const order = wanted.map((_, i) => i).sort((a, b) => wanted[a]! - wanted[b]!);
        order.forEach((label, k) => {
          expect(out[label]).toBeGreaterThanOrEqual(-1e-9);
          expect(out[label]).toBeLessThanOrEqual(400 + 1e-9);
          if (k) expect(out[label]! - out[order[k - 1]!]!).toBeGreaterThanOrEqual(20 - 1e-9);
        });
      }),
    );
  });

  it("with room stay where they are wanted; two at one place part evenly", () => {
    expect(pushApart([100, 10, 300], 20, 0, 400)).toEqual([100, 10, 300]);
    expect(pushApart([100, 100], 20, 0, 400)).toEqual([90, 110]);
    expect(pushApart([0, 0], 20, 0, 400)).toEqual([0, 20]);
    expect(pushApart([], 20, 0, 400)).toEqual([]);
  });
});
