import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import v8 from "node:v8";
import { STRIDE } from "../../src/core/track/track";
import type { OpenClip } from "../../src/vision/decode/openClip";
import type { RecordedLooks } from "./recordedLooks";
import { readPoints } from "../../src/vision/network/points";
import { CROP_SIDE, MASK_SIZE, type LandmarkOutput } from "../../src/vision/network/poseNetwork";
import { looksFile, packLook } from "./looksFile";

/**
 * Records what the real network says of each picture of a film, once, for the stand-in network;
 * where the file is.
 *
 * @param knocks when the phone was knocked, ms: before and after it the golfer stands elsewhere in
 * the picture, and is looked at in a square of its own
 */
export async function recordLooks(film: string, knocks: readonly number[]): Promise<string> {
  const file = path.join(".work/camera", `${path.basename(film, ".mp4")}.looks`);
  if (existsSync(file)) return file;
  mkdirSync(path.dirname(file), { recursive: true });
  v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
  const [{ loadNodeNetwork, openClipFile }, { readClip }] = [
    await import("../../src/vision/node/loadNode"),
    await import("../../src/vision/read/readClip"),
  ];
  const clip = await openClipFile(film);
  const real = await loadNodeNetwork();
  const looks: Buffer[] = [];
  const ends = [...knocks, Infinity];
  for (const [k, to] of ends.entries()) {
    // Finding the golfer comes first: the last calls are those of the pictures, in order.
    const said: (ReturnType<typeof saidOf> | null)[] = [];
    const { track } = await readClip(
      between(clip, ends[k - 1] ?? 0, to),
      {
        ...real,
        landmarks: async (input) => {
          const at = said.push(null) - 1;
          const output = await real.landmarks(input);
          said[at] = saidOf(output);
          return output;
        },
      },
      { faceOn: true },
    );
    said
      .slice(-track.times.length)
      .forEach((look, i) =>
        looks.push(packLook(track.times[i]!, { ...look!, square: track.crop })),
      );
  }
  writeFileSync(file, looksFile(looks));
  return file;
}

/** The part of a clip from one time up to another, ms. */
function between(clip: OpenClip, from: number, to: number): OpenClip {
  const durationMs = Math.min(to, clip.durationMs) - from;
  const last = to - 500 / clip.fps;
  return {
    ...clip,
    durationMs,
    frames: Math.round((clip.frames * durationMs) / clip.durationMs),
    pictures: (first = 0, end = Infinity) =>
      clip.pictures(Math.max(from, first), Math.min(last, end)),
  };
}

const refined = new Float32Array(33 * STRIDE);

/** What the network said: its points refined, its outline in steps of 1/16. */
function saidOf(output: LandmarkOutput): Omit<ReturnType<RecordedLooks["look"]>, "square"> {
  const points = output.points.slice();
  readPoints(output, { cx: CROP_SIDE / 2, cy: CROP_SIDE / 2, size: CROP_SIDE }, refined);
  for (let p = 0; p < 33; p++) points.set(refined.subarray(p * STRIDE, p * STRIDE + 2), p * 5);
  const mask = new Int8Array(MASK_SIZE);
  for (let k = 0; k < MASK_SIZE; k++)
    mask[k] = Math.max(-127, Math.min(127, Math.round(output.mask[k]! * 16)));
  return { points, presence: output.presence, mask };
}
