import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { analyse } from "../../src/core/analysis";
import { body } from "../../src/core/figure/anthropometry";
import { doubleStep, type DoubleStepOptions } from "../../src/core/figure/scripts/doubleStep";
import { swing } from "../../src/core/figure/scripts/swing";
import { simulate } from "../../src/core/figure/simulate";
import { truth } from "../../src/core/figure/truth/truth";
import { exactTrack, type ExactOptions } from "../../tools/study/exactTrack";

/**
 * With a perfect network the core has only its own errors left: scale, the picture plane,
 * smoothing.
 */
const read = (
  options: Partial<DoubleStepOptions>,
  stature: number,
  camera: Partial<ExactOptions> = {},
) => {
  const sim = simulate(body(stature), doubleStep(options));
  const o: ExactOptions = { hand: "right", fps: 60, distance: 405, height_px: 720, ...camera };
  const rep = analyse(exactTrack(sim, o), {
    golfer: { statureCm: stature, hand: o.hand },
    drill: "double-step",
    samples: 16,
  }).reps[0]!;
  return { rep, exact: truth(sim) };
};

describe("on exact joints", () => {
  const golfer = fc.record({
    stature: fc.integer({ min: 155, max: 195 }),
    trailStep: fc.double({ min: -15, max: -6, noNaN: true }),
    leadStep: fc.double({ min: 6, max: 14, noNaN: true }),
    leadBeforeTop: fc.double({ min: -0.15, max: 0.15, noNaN: true }),
    trailFirst: fc.double({ min: -0.15, max: 0.2, noNaN: true }),
    hand: fc.constantFrom("left" as const, "right" as const),
    distance: fc.integer({ min: 330, max: 520 }),
  });

  it("feet, hips and times come out as the truth has them, whoever steps and from wherever it is filmed", () => {
    fc.assert(
      fc.property(golfer, ({ stature, hand, distance, ...options }) => {
        const { rep, exact } = read(options, stature, { hand, distance });
        const near = (id: keyof typeof rep.measures, within: number) => {
          const got = rep.measures[id].value;
          expect(got, id).not.toBeNull();
          expect(
            Math.abs(got! - exact.measures[id]!),
            `${id}: ${got} against ${exact.measures[id]}`,
          ).toBeLessThan(within);
        };
        near("trailStepLength", 1);
        near("leadStepLength", 1);
        near("pelvisSway", 1.2);
        near("leadLandBeforeTop", 40);
        near("trailStepBeforeHands", 40);
        near("footGapAddress", 1.5);
      }),
      { numRuns: 14, seed: 7 },
    );
  }, 120_000);

  it("more pictures a second and more pixels leave the events where they were", () => {
    const plain = read({}, 178).rep.events;
    for (const camera of [{ fps: 30 }, { fps: 120 }, { height_px: 1080 }]) {
      const other = read({}, 178, camera).rep.events;
      for (const name of ["handStart", "midBack", "top", "impact"] as const)
        expect(
          Math.abs(other[name]!.t - plain[name]!.t),
          `${name} ${JSON.stringify(camera)}`,
        ).toBeLessThan(25);
    }
  });

  it("an uncertainty grows when there are fewer pictures a second, and never a verdict turns round", () => {
    const fast = read({ leadBeforeTop: -0.17 }, 178, { fps: 60 }).rep;
    const slow = read({ leadBeforeTop: -0.17 }, 178, { fps: 24 }).rep;
    expect(slow.measures.leadLandBeforeTop.u!).toBeGreaterThan(fast.measures.leadLandBeforeTop.u!);
    expect(fast.verdict!.result).toBe("fail");
    expect(slow.verdict!.result).not.toBe("pass");
  });

  it("an ordinary swing shows no step, and its weight goes back and comes through", () => {
    const sim = simulate(body(172, "female"), swing());
    const rep = analyse(
      exactTrack(sim, { hand: "right", fps: 60, distance: 400, height_px: 720 }),
      { golfer: { statureCm: 172, hand: "right" }, drill: "none", samples: 16 },
    ).reps[0]!;
    expect(rep.verdict).toBeNull();
    expect(rep.measures.trailStepLength).toMatchObject({
      value: null,
      state: "not measurable",
      reason: "the foot did not step",
    });
    expect(rep.footEvents.filter((e) => e.event === "liftOff")).toEqual([]);
    expect(
      Math.abs(rep.measures.trailSharePeak.value! - truth(sim).measures.trailSharePeak!),
    ).toBeLessThan(8);
    expect(rep.measures.leadShareImpact.value!).toBeGreaterThan(60);
  });
});
