import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { readTrack, writeTrack } from "../formats/trackFile";
import { finishTrack } from "./finishTrack";
import { at, OUTLINE, POINT, type Track } from "./track";
import { halved } from "./unread";

let whole: Track;
beforeAll(() => {
  whole = readTrack(readFileSync("demo/tracks/double-step-good.track"));
});

/** The track with all but every `step`-th frame unread. */
function every(step: number, change: (landmarks: Float32Array) => void = () => {}): Track {
  const read = Uint8Array.from(whole.times, (_, i) => (i % step === 0 ? 1 : 0));
  const landmarks = whole.landmarks.slice();
  change(landmarks);
  const wiped = (x: Float32Array, width: number) =>
    x.map((v, i) => (read[Math.floor(i / width)] ? v : NaN));
  return {
    ...whole,
    read,
    landmarks: wiped(landmarks, 132),
    outline: wiped(whole.outline, OUTLINE),
    footEdges: wiped(whole.footEdges, 6),
    presence: wiped(whole.presence, 1),
  };
}

describe("frames that were not read", () => {
  it("are filled to about a pixel, and leave what was read as it is", () => {
    const full = finishTrack(whole, true);
    const filled = finishTrack(every(4), true);
    let [sum, n] = [0, 0];
    for (let i = 0; i < whole.times.length - 4; i++) {
      const [l, r] = [at(i, POINT.leftHip), at(i, POINT.rightHip)];
      const off =
        Math.abs(
          filled.landmarks[l]! + filled.landmarks[r]! - full.landmarks[l]! - full.landmarks[r]!,
        ) / 2;
      if (i % 4 === 0) expect(off).toBe(0);
      else [sum, n] = [sum + off, n + 1];
    }
    expect(sum / n).toBeGreaterThan(0.05);
    expect(sum / n).toBeLessThan(1.2);
  });

  it("are filled after the sides are mended, so that one swapped look does not cross the legs for eight frames", () => {
    const swap = (landmarks: Float32Array) => {
      for (const [l, r] of [
        [25, 26],
        [27, 28],
        [29, 30],
        [31, 32],
      ] as const)
        for (let k = 0; k < 4; k++) {
          const [a, b] = [at(60, l) + k, at(60, r) + k];
          [landmarks[a], landmarks[b]] = [landmarks[b]!, landmarks[a]!];
        }
    };
    const right = finishTrack(every(4), true).landmarks;
    const mended = finishTrack(every(4, swap), true).landmarks;
    for (let i = 50; i < 70; i++)
      expect(mended[at(i, POINT.leftAnkle)]).toBeCloseTo(right[at(i, POINT.leftAnkle)]!, 3);
  });

  it("are halved only where frames stand alone", () => {
    const part = every(4);
    part.read!.fill(1, 80, 100);
    const half = halved(part)!.read!;
    expect(half.slice(80, 100).every((r) => r === 1)).toBe(true);
    expect(half.slice(8, 72).filter((r) => r).length).toBe(8);
    expect(halved(whole)).toBeNull();
  });

  it("stay unread in the track's file", () => {
    const part = every(4);
    const again = readTrack(writeTrack(part));
    expect(again.read).toEqual(part.read);
    expect(readTrack(writeTrack(whole)).read).toBeUndefined();
  });
});
