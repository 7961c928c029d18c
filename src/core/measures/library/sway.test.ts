import { describe, expect, it } from "vitest";
import { AT, level, line, measured, spell, values } from "../../../../tests/core/handMade";

describe("sway of the hips", () => {
  const away = { motion: { hipT: line([200, 2], [700, -5], [1000, -1], [1300, 9]) } };

  it("is the farthest place on the way back, against that at address", () => {
    expect(measured("pelvisSway", away)).toEqual({ value: 7, atMs: 700 });
    expect(values(away, "pelvisSlide", "pelvisTTop", "pelvisTImpact")).toEqual([10, -3, 7]);
  });

  it("does not count what the hips do after the top, nor a drift toward the target", () => {
    const late = { motion: { hipT: line([1000, 4], [1100, -20], [1300, 0]) } };
    expect(values(late, "pelvisSway")).toEqual([0]);
    expect(values({ motion: { hipT: line([1000, 5], [1300, 0]) } }, "pelvisSlide")).toEqual([0]);
  });

  it("begins where a trail step has planted the feet anew", () => {
    // The trail foot steps 10 cm away: the middle of the feet moves by 5, and so do the hips.
    const drawn = {
      motion: { hipT: line([300, 0], [500, -5], [900, -7]) },
      spells: { trail: [spell(-18, 0, 300), spell(-28, 500)] },
      rep: {
        footEvents: [
          { foot: "trail", event: "liftOff", ms: 300 },
          { foot: "trail", event: "landing", ms: 500 },
        ] as never,
      },
    };
    expect(values(drawn, "pelvisSway")).toEqual([2]);
    // Without the step all of it is sway.
    expect(values({ motion: drawn.motion }, "pelvisSway")).toEqual([7]);
  });

  it("waits for the strike where it reads up to it", () => {
    const open = { events: { impact: NaN } };
    expect(measured("pelvisSlide", open).why).toBe("eventNotFound");
    expect(measured("pelvisSway", open).value).toBe(0);
    // In a gesture a release stands for the strike.
    const gesture = { ...away, events: { impact: NaN, release: 1300 } };
    expect(values(gesture, "pelvisSlide", "pelvisTRelease")).toEqual([10, 7]);
  });
});

describe("the head", () => {
  it("drifts by all that it moves to the strike, either way", () => {
    const drawn = { motion: { headT: line([200, 0], [700, -4], [1300, 3], [1600, 30]) } };
    expect(values(drawn, "headDrift", "headTImpact", "headTFinish")).toEqual([7, 3, 30]);
    // On the way back as far as the arms are halfway down again.
    const nodded = { motion: { headT: line([200, 0], [700, -4], [1100, 1], [1200, 9]) } };
    expect(values(nodded, "headDriftBack")).toEqual([9]);
  });

  it("rises by its highest place over that at address", () => {
    const drawn = { motion: { headU: line([200, 160], [900, 163], [1300, 158]) } };
    expect(values(drawn, "headRise")).toEqual([3]);
  });

  it("is not told where arms hide it for a quarter of a second", () => {
    const hidden = (ms: number) => level(0).map((_, i) => (i >= 80 && i < 80 + ms / 10 ? 1 : 0));
    expect(measured("headDrift", { motion: { headHidden: hidden(240) } }).value).toBe(0);
    expect(measured("headDrift", { motion: { headHidden: hidden(250) } }).why).toBe("headHidden");
    // At another moment than that it is.
    expect(measured("headTFinish", { motion: { headHidden: hidden(400) } }).value).toBe(0);
  });
});

describe("hips and head against each other", () => {
  it("count by the smaller of the two moves, while they go apart", () => {
    const motion = {
      hipT: line([200, 0], [800, -6], [1000, 0]),
      headT: line([200, 0], [800, 4], [1000, 0]),
    };
    expect(values({ motion }, "counterMove")).toEqual([4]);
    expect(values({ motion: { ...motion, headT: motion.hipT } }, "counterMove")).toEqual([0]);
    // From where each was at address.
    const apart = {
      hipT: line([200, 5], [800, -1], [1000, 5]),
      headT: line([200, -9], [800, -5], [1000, -9]),
    };
    expect(values({ motion: apart }, "counterMove")).toEqual([4]);
  });
});

describe("the hips up and down", () => {
  const motion = { hipU: line([1000, 95], [1100, 91], [1300, 97]) };

  it("drop from the top to halfway down, and rise from there to the strike", () => {
    expect(values({ motion }, "pelvisDropTransition", "pelvisRiseToImpact")).toEqual([-4, 6]);
    expect(measured("pelvisDropTransition", { motion }).atMs).toBe(1100);
    const open = { motion, events: { halfwayDown: NaN } };
    expect(measured("pelvisRiseToImpact", open).why).toBe("eventNotFound");
  });

  it("drift at the strike by what they move within 75 ms of it", () => {
    // Sampled every 10 ms: 70 to the one side, 80 to the other.
    const hipT = line([AT.impact - 200, 0], [AT.impact + 200, 40]);
    const { value } = measured("pelvisDriftAtImpact", { motion: { hipT } });
    expect(value).toBeGreaterThanOrEqual(14);
    expect(value).toBeLessThanOrEqual(16);
  });
});
