import { describe, expect, it } from "vitest";
import { level, line, measured, spell, values } from "../../../../tests/core/handMade";

describe("the share of the weight", () => {
  const leadShare = line([200, 50], [700, 22], [1000, 40], [1300, 86], [1800, 95]);
  const drawn = { rep: { leadShare } };

  it("is read at each moment, between samples too", () => {
    expect(
      values(drawn, "leadShareTop", "leadShareHalfwayDown", "leadShareImpact", "leadShareFinish"),
    ).toEqual([40, 63, 86, 95]);
    expect(values({ ...drawn, events: { impact: 1255 } }, "leadShareImpact")[0]).toBeCloseTo(79, 0);
  });

  it("has its trail peak on the way back, with its place in the back swing", () => {
    expect(measured("trailSharePeak", drawn)).toEqual({ value: 78, atMs: 700 });
    expect(values(drawn, "trailSharePeakAt")).toEqual([62.5]);
  });

  it("has no trail peak while a foot is in the air, nor just beside that", () => {
    const air = { lead: [[650, 750]] as [number, number][], trail: [] };
    const { value, atMs } = measured("trailSharePeak", { rep: { leadShare, air } });
    expect(value).toBeLessThan(78);
    expect(Math.abs(atMs! - 700)).toBeGreaterThanOrEqual(50 + 90);
    const aloft = { lead: [[0, 2000]] as [number, number][], trail: [] };
    expect(measured("trailSharePeak", { rep: { leadShare, air: aloft } }).why).toBe("footNotSeen");
  });

  it("at the finish waits until a landing's smear has gone", () => {
    const air = { lead: [], trail: [[1400, 1700]] as [number, number][] };
    const later = line([1800, 50], [1970, 50], [1980, 80]);
    const read = (rep: object) => values({ rep }, "leadShareFinish");
    expect(read({ leadShare: later, air })).toEqual([50]);
    // Landed at 1,720: the finish is read 270 ms after that.
    expect(read({ leadShare: later, air: { lead: [], trail: [[1400, 1720]] } })).toEqual([80]);
    // What leaves after the finish changes nothing, and no other moment waits.
    const after = {
      lead: [],
      trail: [
        [1400, 1700],
        [1850, 1950],
      ] as [number, number][],
    };
    expect(read({ leadShare: later, air: after })).toEqual([50]);
    const before = { lead: [], trail: [[900, 1200]] as [number, number][] };
    expect(values({ rep: { leadShare, air: before } }, "leadShareImpact")).toEqual([86]);
  });

  it("at the finish is not told of a foot that was last seen long before", () => {
    const spells = { trail: [spell(-18, 0, 1250)] };
    expect(measured("leadShareFinish", { ...drawn, spells }).why).toBe("footNotSeen");
    expect(measured("leadShareImpact", { ...drawn, spells }).value).toBe(86);
    const long = { trail: [spell(-18, 0, 700)] };
    expect(measured("leadShareImpact", { ...drawn, spells: long }).value).toBe(86);
    // Seen again in time is seen, wherever it was before.
    const again = { trail: [spell(-30, 0, 500), spell(-18, 600)] };
    expect(measured("leadShareFinish", { ...drawn, spells: again }).value).toBe(95);
  });

  it("loads by its largest rise in a tenth of a second, from the top on", () => {
    const quick = line([0, 90], [50, 0], [1000, 20], [1100, 25], [1200, 60], [1300, 65]);
    expect(measured("loadRate", { rep: { leadShare: quick } })).toEqual({ value: 35, atMs: 1100 });
  });

  it("peaks on the lead foot in the second before the hands start", () => {
    const rocks = line([0, 99], [20, 50], [250, 71], [300, 60], [350, 100]);
    const drawn = { rep: { leadShare: rocks }, events: { address: 1020, handStart: 1320 } };
    expect(values({ rep: { leadShare: rocks } }, "leadSharePeakBeforeHands")).toEqual([99]);
    expect(values(drawn, "leadSharePeakBeforeHands")).toEqual([100]);
    expect(measured("leadSharePeakBeforeHands", { events: { handStart: NaN } }).why).toBe(
      "eventNotFound",
    );
  });
});

describe("turns of the weight", () => {
  const turnsOf = (...points: [number, number][]) =>
    values({ rep: { leadShare: line(...points) } }, "shareReversals")[0];

  it("count from 15 points on, between address and top", () => {
    expect(turnsOf([200, 50], [1000, 20])).toBe(0);
    expect(turnsOf([200, 50], [500, 20], [1000, 34])).toBe(0);
    expect(turnsOf([200, 50], [500, 20], [1000, 36])).toBe(1);
    expect(turnsOf([200, 50], [400, 70], [700, 30], [1000, 60])).toBe(2);
    // After the top nothing counts.
    expect(turnsOf([200, 50], [1000, 20], [1300, 90])).toBe(0);
  });

  it("keep a beat as evenly as their gaps are alike", () => {
    const beat = (ms: readonly number[], events = { impact: 1600 }) =>
      measured("beatSpread", {
        rep: {
          leadShare: line(
            [ms[0]! - 400, 80],
            [ms[0]!, 20],
            [ms[1]!, 80],
            [ms[2]!, 20],
            [ms[2]! + 400, 80],
          ),
        },
        events,
      });
    expect(beat([500, 900, 1300]).value).toBeLessThan(2);
    // A beat after the strike, or from before the golfer stood still, is none of the swing's.
    expect(beat([500, 900, 1300], { impact: 1250 }).why).toBe("eventNotFound");
    expect(beat([500, 900, 1300], { impact: 1600, address: 800 } as never).why).toBe(
      "eventNotFound",
    );
    // Gaps of 300 and 500 are 200 / √2 apart, of 400: 35 %. Smoothing draws them nearer.
    const uneven = beat([500, 800, 1300]).value;
    expect(uneven).toBeGreaterThan(12);
    expect(uneven).toBeLessThan(35.4);
    expect(measured("beatSpread").why).toBe("eventNotFound");
  });

  it("come before hands and heel, or were never there", () => {
    const events = { groundStart: 250, recentre: 900 };
    const rep = { footEvents: [{ foot: "trail", event: "heelUp", ms: 1200 }] as never };
    expect(
      values({ events, rep }, "groundFirst", "recentreBeforeTop", "crossBeforeTrailHeelUp"),
    ).toEqual([50, 100, 300]);
    expect(measured("recentreBeforeTop").why).toBe("neverLoaded");
    expect(measured("crossBeforeTrailHeelUp").why).toBe("eventNotFound");
  });
});

describe("from behind", () => {
  it("the pressure stands between heels and toes", () => {
    const feet = { heelT: -5, toeT: 20 };
    const drawn = {
      motion: { view: "down-the-line" as const },
      spells: { lead: [spell(5, 0, 2000, feet)], trail: [spell(-5, 0, 2000, feet)] },
      rep: { pressure: line([200, 5], [1000, 0], [1300, 15]) },
    };
    expect(values(drawn, "copDepthAddress", "copDepthTop", "copDepthImpact")).toEqual([40, 20, 80]);
    expect(measured("leadShareTop", { ...drawn, rep: { leadShare: level(3) } }).why).toBe(
      "otherView",
    );
  });
});
