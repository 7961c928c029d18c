import { expect, it } from "vitest";
import { Resampler, type Square } from "./crop/resample";
import { CutoutStore } from "./cutoutStore";
import type { Frame } from "./decode/frame";
import { openClipFile } from "./node/loadNode";

const SQUARE = { cx: 640.5, cy: 300, size: 400 };
const BOX = { left: 430, top: 90, right: 850, bottom: 510 };

it("gives again what the whole picture gave, also of frames that must be decoded anew", async () => {
  const clip = await openClipFile("demo/clips/double-step-good.mp4");
  const crop = new Resampler(64, 0, 1, "nearest");
  const cut = (frame: Frame, square: Square) => {
    const out = new Float32Array(64 * 64 * 3);
    crop.cut(frame, square, out);
    return out;
  };
  const times: number[] = [];
  const whole = new Map<number, Float32Array>();
  for await (const frame of clip.pictures()) {
    if ([7, 90, 91].includes(times.length)) whole.set(times.length, cut(frame, SQUARE));
    times.push(frame.timeMs);
  }
  const store = new CutoutStore(clip, times, BOX);
  expect(store.at(90)).toBeNull();
  await store.ensure([7, 90, 91], () => {});
  for (const [i, expected] of whole) {
    const { frame, left, top } = store.at(i)!;
    expect(frame.timeMs).toBeCloseTo(times[i]!, 3);
    const again = cut(frame, { ...SQUARE, cx: SQUARE.cx - left, cy: SQUARE.cy - top });
    expect(Math.max(...again.map((v, k) => Math.abs(v - expected[k]!)))).toBeLessThan(1e-5);
  }
  await expect(store.ensure([200], () => {
    throw new Error("stopped");
  })).rejects.toThrow("stopped");
  clip.close();
});
