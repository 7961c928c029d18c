import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bridge, derivative, filtfilt, lowPass, resample } from "./filter";
import { firstWhere } from "./search";
import { seeded } from "./seeded";
import { deviation, mean, median, quantile } from "./stats";

const numbers = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), {
  minLength: 1,
  maxLength: 40,
});

describe("statistics", () => {
  it("median and quantile lie between neighbours, in order", () => {
    expect(median([3, 1, 2])).toBe(2);
    expect(median([4, 1, 2, 3])).toBe(2.5);
    expect(median([])).toBeNaN();
    expect(quantile([0, 10], 0.25)).toBe(2.5);
    fc.assert(
      fc.property(numbers, fc.double({ min: 0, max: 1, noNaN: true }), (list, p) => {
        const q = quantile(list, p);
        expect(q).toBeGreaterThanOrEqual(Math.min(...list));
        expect(q).toBeLessThanOrEqual(Math.max(...list));
        expect(quantile(list, 0.5)).toBeCloseTo(median(list), 6);
      }),
    );
  });

  it("do not change the list they are given", () => {
    const list = [3, 1, 2];
    median(list);
    quantile(list, 0.2);
    expect(list).toEqual([3, 1, 2]);
  });

  it("mean and deviation move and scale with what is measured", () => {
    expect(deviation([2, 4, 4, 4, 5, 5, 7, 9])).toBeCloseTo(2.138, 3);
    const list = [1, 5, 6, 2];
    expect(mean(list.map((v) => 3 * v + 7))).toBeCloseTo(3 * mean(list) + 7);
    expect(deviation(list.map((v) => 3 * v + 7))).toBeCloseTo(3 * deviation(list));
  });
});

describe("signals", () => {
  it("a derivative is per second, one-sided at the ends", () => {
    const slope = Float64Array.from({ length: 20 }, (_, i) => 4 * i * 0.02);
    expect(Array.from(derivative(slope, 0.02)).every((v) => Math.abs(v - 4) < 1e-9)).toBe(true);
  });

  it("a cut-off beyond half the sample rate leaves noise nearly as it is", () => {
    const random = seeded(3);
    const x = Float64Array.from({ length: 120 }, () => random.normal());
    const left = (cutHz: number) =>
      Math.max(...filtfilt(lowPass(cutHz, 1 / 12), x).map((v, i) => Math.abs(v - x[i]!)));
    expect(left(10)).toBeLessThan(0.4);
    expect(left(10)).toBe(left(60));
    expect(left(2)).toBeGreaterThan(1);
  });

  it("resampling keeps a line a line, the ends beyond, and bridges what is missing", () => {
    const times = Float64Array.of(0, 7, 20, 31);
    const line = Float64Array.from(times, (t) => 2 * t + 1);
    expect(Array.from(resample(times, line, 0, 10, 5))).toEqual([1, 21, 41, 61, 63]);
    expect(Array.from(resample(times, Float64Array.of(1, NaN, 41, 63), 0, 10, 3))).toEqual([
      1, 21, 41,
    ]);
    expect(Array.from(bridge(Float64Array.of(NaN, 2, NaN, NaN, 8, NaN)))).toEqual([
      2, 2, 4, 6, 8, 8,
    ]);
  });

  it("the first index from which something holds is found, or the end", () => {
    fc.assert(
      fc.property(fc.nat(60), fc.nat(60), (n, from) => {
        expect(firstWhere(n, (i) => i >= from)).toBe(Math.min(n, from));
      }),
    );
  });
});

describe("seeded random numbers", () => {
  it("are the same for a seed and others for another", () => {
    const draw = (seed: number) => {
      const random = seeded(seed);
      return Array.from({ length: 5 }, () => random.uniform());
    };
    expect(draw(3)).toEqual(draw(3));
    expect(draw(3)).not.toEqual(draw(4));
  });

  it("are spread as they say", () => {
    const random = seeded(11);
    const normal = Array.from({ length: 4000 }, () => random.normal());
    expect(Math.abs(mean(normal))).toBeLessThan(0.06);
    expect(Math.abs(deviation(normal) - 1)).toBeLessThan(0.05);
    const uniform = Array.from({ length: 4000 }, () => random.uniform());
    expect(Math.min(...uniform)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...uniform)).toBeLessThan(1);
    expect(Math.abs(mean(uniform) - 0.5)).toBeLessThan(0.02);
  });
});
