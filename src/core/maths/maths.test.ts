import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { curve } from "./curve";
import { filtfilt, lowPass, resample } from "./filter";
import { JerkSmoother } from "./jerkSmoother";
import { seeded } from "./seeded";
import { halfSampleMode, mean, median, runningMedian } from "./stats";

describe("curve", () => {
  it("goes through its knots and never leaves the range of rising ones", () => {
    const rising = fc.array(
      fc.tuple(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
      ),
      { minLength: 2, maxLength: 6 },
    );
    fc.assert(
      fc.property(rising, (steps) => {
        let [t, v] = [0, 0];
        const knots = steps.map(([dt, dv]) => [(t += dt), (v += dv)] as const);
        const c = curve(knots);
        for (const [kt, kv] of knots) expect(c(kt)).toBeCloseTo(kv, 9);
        expect(c(-1)).toBe(knots[0]![1]);
        expect(c(t + 1)).toBe(v);
      }),
    );
  });

  it("has continuous speed across knots", () => {
    const c = curve([
      [0, 0],
      [1, 3],
      [1.4, 9],
      [2, 4],
    ]);
    for (const t of [1, 1.4])
      expect((c(t + 1e-6) - c(t)) / 1e-6).toBeCloseTo((c(t) - c(t - 1e-6)) / 1e-6, 2);
  });

  it("names the time that does not rise", () => {
    expect(() =>
      curve([
        [0, 0],
        [1, 1],
        [1, 2],
      ]),
    ).toThrow(/1 s after 1 s/);
  });
});

describe("filters", () => {
  it("low-pass without delay: a slow sine keeps its size and place, a fast one goes", () => {
    const dt = 1 / 60;
    const sine = (hz: number) =>
      Float64Array.from({ length: 300 }, (_, i) => Math.sin(2 * Math.PI * hz * i * dt));
    const slow = filtfilt(lowPass(6, dt), sine(1));
    const fast = filtfilt(lowPass(6, dt), sine(20));
    for (let i = 60; i < 240; i++) {
      expect(slow[i]).toBeCloseTo(sine(1)[i]!, 2);
      expect(Math.abs(fast[i]!)).toBeLessThan(0.02);
    }
  });

  it("resampling bridges gaps in straight lines", () => {
    const out = resample(Float64Array.from([0, 10, 20, 30]), [0, NaN, 20, 30], 0, 5, 7);
    expect([...out]).toEqual([0, 5, 10, 15, 20, 25, 30]);
  });

  it("the jerk smoother finds the acceleration of a noisy swaying body", () => {
    const dt = 1 / 60;
    const n = 240;
    const random = seeded(3);
    const x = Float64Array.from(
      { length: n },
      (_, i) => 4 * Math.sin(2 * Math.PI * 0.7 * i * dt) + 0.1 * random.normal(),
    );
    const { position, acceleration } = new JerkSmoother(n, dt, 200, 0.1).smoothed(x);
    const w = 2 * Math.PI * 0.7;
    const middle = Array.from({ length: 160 }, (_, k) => k + 40);
    const rms = (errors: number[]) => Math.sqrt(mean(errors.map((e) => e * e)));
    expect(rms(middle.map((i) => position[i]! - 4 * Math.sin(w * i * dt)))).toBeLessThan(0.05);
    // A plain second difference of this noise would be off by 0.1·√6·60² = 880 cm/s²; the true
    // swing of it is 77.
    expect(
      rms(middle.map((i) => acceleration[i]! + 4 * w * w * Math.sin(w * i * dt))),
    ).toBeLessThan(12);
  });
});

it("the half-sample mode finds the dense place whatever the outliers", () => {
  fc.assert(
    fc.property(
      fc.double({ min: -50, max: 50, noNaN: true }),
      fc.integer({ min: 1, max: 999 }),
      (place, seed) => {
        const random = seeded(seed);
        const dense = Array.from({ length: 60 }, () => place + 0.2 * random.normal());
        const stray = Array.from({ length: 40 }, () => place + 30 + 100 * random.uniform());
        expect(Math.abs(halfSampleMode([...dense, ...stray]) - place)).toBeLessThan(0.6);
      },
    ),
  );
});

it("the running median is the median of each window, ends and all", () => {
  const number = fc.double({ min: -9, max: 9, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(number, { minLength: 1, maxLength: 30 }),
      fc.integer({ min: 1, max: 3 }),
      (x, half) => {
        const got = runningMedian(x, half);
        x.forEach((_, i) =>
          expect(got[i]).toBeCloseTo(median(x.slice(Math.max(0, i - half), i + half + 1)), 12),
        );
      },
    ),
  );
});
