import { describe, expect, it } from "vitest";
import { seeded } from "../../core/maths/seeded";
import { Ears } from "./ears";

const RATE = 48_000;
const BLOCK = 1024;

/**
 * Ears that have heard quiet air for so long with knocks at some times (s); blocks come late by up
 * to 30 ms, on a clock that began 5 s before the microphone's.
 */
function heard(seconds: number, knocks: readonly number[]): Ears {
  const random = seeded(3);
  const ears = new Ears();
  for (let from = 0; from < seconds * RATE; from += BLOCK) {
    const samples = Float32Array.from({ length: BLOCK }, (_, i) => {
      const since = knocks.map((k) => (from + i) / RATE - k).find((s) => s >= 0 && s < 0.1);
      return (
        0.002 * random.normal() +
        (since === undefined ? 0 : 0.5 * random.normal() * Math.exp(-since / 0.006))
      );
    });
    const over = ((from + BLOCK) / RATE) * 1000;
    ears.hear(
      { timeMs: (from / RATE) * 1000, rate: RATE, samples },
      5000 + over + (from % (7 * BLOCK) === 0 ? 0 : 30 * random.uniform()),
    );
  }
  return ears;
}

describe("ears", () => {
  it("tell a knock on the clock of whoever asks, however late its sound comes", () => {
    const [knock, ...others] = heard(6, [2.5]).between(5000, 11_000);
    expect(others).toEqual([]);
    expect(Math.abs(knock!.t - 7500)).toBeLessThan(0.6);
    expect(heard(6, [2.5]).between(8000, 11_000)).toEqual([]);
  });

  it("forget what pictures are kept of no longer, and place what comes after it as well", () => {
    const times = heard(40, [3, 33, 38])
      .between(0, 100_000)
      .map((o) => o.t);
    expect(times).toHaveLength(2);
    for (const [k, t] of [38_000, 43_000].entries())
      expect(Math.abs(times[k]! - t)).toBeLessThan(0.6);
  });
});
