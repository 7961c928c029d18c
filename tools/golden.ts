/**
 * Makes the crops by which a graphics processor is checked against the processor: `npx tsx
 * tools/golden.ts`. Three pictures of the made-up golfers as the network sees them (standing, at
 * the top, stepping), as 256 × 256 PNG in public/golden.
 */
import { execFileSync } from "node:child_process";
import { mkdirSync } from "node:fs";
import { Resampler } from "../src/vision/crop/resample";
import { CROP_SIDE } from "../src/vision/network/poseNetwork";
import { openClipFile } from "../src/vision/node/loadNode";

const SHOTS = [
  ["double-step-good", 20, 459],
  ["double-step-left", 120, 459],
  ["double-step-good-tall", 100, 520],
] as const;
mkdirSync("public/golden", { recursive: true });
for (const [k, [name, at, size]] of SHOTS.entries()) {
  const clip = await openClipFile(`demo/clips/${name}.mp4`);
  let i = 0;
  for await (const picture of clip.pictures()) {
    if (i++ < at) continue;
    const crop = new Resampler(CROP_SIDE, 0, 255, "nearest").cut(await picture.cut(null), {
      cx: clip.width / 2,
      cy: clip.height * 0.53,
      size,
    });
    execFileSync(
      "ffmpeg",
      [
        "-v",
        "error",
        "-y",
        "-f",
        "rawvideo",
        "-pix_fmt",
        "rgb24",
        "-s",
        `${CROP_SIDE}x${CROP_SIDE}`,
        "-i",
        "-",
        `public/golden/${k + 1}.png`,
      ],
      { input: Buffer.from(crop.map(Math.round)) },
    );
    break;
  }
  clip.close();
}
process.exit(0);
