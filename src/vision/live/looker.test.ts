import { describe, expect, it, vi } from "vitest";
import type { Cutout } from "../decode/cutout";
import { CROP_SIDE, type LandmarkOutput, type PoseNetwork } from "../network/poseNetwork";
import { Looker } from "./looker";

const SIDE = 64;
const PLANE = { offset: 0, stride: SIDE, step: 1 };
const COLOUR = { offset: SIDE * SIDE, stride: SIDE / 2, step: 1 };
const picture = (timeMs: number): Cutout => ({
  frame: {
    timeMs,
    data: new Uint8Array(SIDE * SIDE * 2),
    width: SIDE,
    height: SIDE,
    y: PLANE,
    u: COLOUR,
    v: COLOUR,
    rotation: 0,
    matrix: "bt709",
    fullRange: true,
  },
  left: 0,
  top: 0,
  of: { width: SIDE, height: SIDE },
});
const WHOLE = { cx: SIDE / 2, cy: SIDE / 2, size: SIDE };

/** A network of so many threads whose looks end when they are told to. */
function network(atOnce: number) {
  const open: { end: () => void; fail: () => void }[] = [];
  const shown: unknown[] = [];
  const of: PoseNetwork = {
    model: "test",
    threads: atOnce,
    atOnce,
    crop: () => new Float32Array(CROP_SIDE * CROP_SIDE * 3),
    done: () => {},
    detect: () => Promise.reject(new Error("not asked")),
    landmarks: (_crop, what) => {
      shown.push(what);
      return new Promise((resolve, reject) =>
        open.push({
          end: () => resolve({ presence: 1 } as LandmarkOutput),
          fail: () => reject(new Error("lost")),
        }),
      );
    },
  };
  return { of, open, shown };
}

describe("looking", () => {
  it("says what each crop shows, and counts what is under way", async () => {
    const { of, open, shown } = network(2);
    const looker = new Looker(of);
    const looks = [looker.look(picture(10), WHOLE), looker.look(picture(20), WHOLE)];
    expect(looker.under).toBe(2);
    expect(shown).toEqual([
      { t: 10, square: WHOLE },
      { t: 20, square: WHOLE },
    ]);
    open.forEach((o) => o.end());
    await Promise.all(looks);
    expect(looker.under).toBe(0);
  });

  it("is over too when the network fails", async () => {
    const { of, open } = network(1);
    const looker = new Looker(of);
    const look = looker.look(picture(0), WHOLE);
    open[0]!.fail();
    await expect(look).rejects.toThrow("lost");
    expect(looker.under).toBe(0);
  });

  it("of several that wait in a row each takes its share of the time", async () => {
    vi.useFakeTimers();
    try {
      const { of, open } = network(1);
      const looker = new Looker(of);
      const before = looker.lookMs;
      const looks = Array.from({ length: 4 }, () => looker.look(picture(0), WHOLE));
      vi.advanceTimersByTime(400);
      open.forEach((o) => o.end());
      await Promise.all(looks);
      // Looks that share 400 ms took 100, 133, 200 and 400: each by a tenth.
      const shares = [100, 400 / 3, 200, 400];
      expect(looker.lookMs).toBeCloseTo(
        shares.reduce((mean, ms) => mean + 0.1 * (ms - mean), before),
        3,
      );
    } finally {
      vi.useRealTimers();
    }
  });
});
