import { expect, it } from "vitest";
import { Resampler } from "../crop/resample";
import { cutoutArea } from "../decode/cutout";
import { CutoutStore } from "./cutoutStore";
import { openClipFile } from "../node/loadNode";

const SQUARE = { cx: 640.5, cy: 300, size: 400 };
const AREA = cutoutArea([{ left: 430, top: 90, right: 850, bottom: 510 }], 1280, 720);

it("gives again what the whole picture gave, also of frames that must be decoded anew", async () => {
  const clip = await openClipFile("demo/clips/double-step-good.mp4");
  const crop = new Resampler(64, 0, 1, "nearest");
  const times: number[] = [];
  const whole = new Map<number, Float32Array>();
  for await (const picture of clip.pictures()) {
    if ([7, 90, 91].includes(times.length))
      whole.set(times.length, crop.cut(await picture.cut(null), SQUARE));
    times.push(picture.timeMs);
  }
  const store = new CutoutStore(clip, times, AREA);
  expect(store.at(90)).toBeNull();
  await store.ensure([7, 90, 91], () => {});
  for (const [i, expected] of whole) {
    const part = store.at(i)!;
    expect(part.frame.timeMs).toBeCloseTo(times[i]!, 3);
    expect(crop.cut(part, SQUARE)).toEqual(expected);
  }
  await expect(
    store.ensure([200], () => {
      throw new Error("stopped");
    }),
  ).rejects.toThrow("stopped");
  clip.close();
});
