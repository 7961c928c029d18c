import { afterAll, beforeAll, expect, it } from "vitest";
import { Resampler } from "../crop/resample";
import { cutoutArea } from "../decode/cutout";
import type { OpenClip } from "../decode/openClip";
import { EarlyPictures } from "./earlyPictures";
import { openClipFile } from "../node/loadNode";

const AROUND = { left: 330, top: 80, right: 950, bottom: 700 };
const CROP = { cx: 640.5, cy: 390, size: 430 };
const area = (grown = 0) =>
  cutoutArea([{ left: 425 - grown, top: 170, right: 860, bottom: 610 }], 1280, 720);

let clip: OpenClip;
beforeAll(async () => {
  clip = await openClipFile("demo/clips/double-step-good.mp4");
});
afterAll(() => clip.close());

/** Everything kept; where the golfer is becomes known after five pictures. */
async function kept(box: typeof AROUND | null, wholes: number): Promise<EarlyPictures> {
  const early = new EarlyPictures(clip, (i) => i % 6 === 0, wholes);
  let count = 0;
  for await (const picture of clip.pictures()) {
    if (count++ === 5) early.around(box);
    await early.keep(picture);
  }
  return early;
}

it("gives what decoding again would give", async () => {
  const pictures = (await kept(AROUND, 44)).holding(area())!;
  expect(pictures).toHaveLength(clip.frames);
  const crop = new Resampler(64, 0, 1, "nearest");
  let i = 0;
  for await (const again of clip.pictures()) {
    const early = pictures[i]!;
    expect(early.timeMs).toBe(again.timeMs);
    if ([0, 3, 100, 126, 201].includes(i))
      expect(crop.cut(await early.cut(area()), CROP)).toEqual(
        crop.cut(await again.cut(area()), CROP),
      );
    if (i === 126)
      expect((await early.cut(null)).frame.data).toEqual((await again.cut(null)).frame.data);
    i++;
  }
  expect(() => pictures[100]!.cut(null)).toThrow("not kept whole");
});

it("has nothing for a golfer who went farther, who was not seen at first, or whose clip is too long", async () => {
  expect((await kept(AROUND, 44)).holding(area(120))).toBeNull();
  expect((await kept(null, 44)).holding(area())).toBeNull();
  expect((await kept(AROUND, 180)).holding(area())).toBeNull();
});
