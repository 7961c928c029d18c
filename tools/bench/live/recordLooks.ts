import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import v8 from "node:v8";
import { deflateSync } from "node:zlib";
import { STRIDE } from "../../../src/core/track/track";
import type { OpenClip } from "../../../src/vision/decode/openClip";
import { LOOK_HEAD, POINT_BYTES } from "../../../src/vision/live/standInNetwork";
import { readPoints } from "../../../src/vision/network/points";
import { CROP_SIDE, MASK_SIZE, type LandmarkOutput } from "../../../src/vision/network/poseNetwork";

/**
 * Records what the real network says of each picture of a film, once, for the stand-in network; where the file is.
 *
 * @param knocks when the phone was knocked, ms: before and after it the golfer stands elsewhere in the picture, and is looked at in a square of its own
 */
export async function recordLooks(film: string, knocks: readonly number[]): Promise<string> {
  const file = path.join(".work/camera", `${path.basename(film, ".mp4")}.looks`);
  if (existsSync(file)) return file;
  mkdirSync(path.dirname(file), { recursive: true });
  v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
  const [{ loadNodeNetwork, openClipFile }, { readClip }] = [await import("../../../src/vision/node/loadNode"), await import("../../../src/vision/read")];
  const clip = await openClipFile(film);
  const real = await loadNodeNetwork();
  const looks: Buffer[] = [];
  const ends = [...knocks, Infinity];
  for (const [k, to] of ends.entries()) {
    // Finding the golfer comes first: the last calls are those of the pictures, in order.
    const said: Buffer[] = [];
    const { track } = await readClip(between(clip, ends[k - 1] ?? 0, to), {
      ...real,
      landmarks: async (input) => {
        const at = said.push(Buffer.alloc(0)) - 1;
        const output = await real.landmarks(input);
        said[at] = packed(output);
        return output;
      },
    }, { faceOn: true });
    const { cx, cy, size } = track.crop;
    for (const [i, look] of said.slice(-track.times.length).entries()) {
      [track.times[i]!, cx, cy, size].forEach((v, n) => look.writeDoubleLE(v, 8 * n));
      looks.push(look);
    }
  }
  const count = Buffer.alloc(4);
  count.writeUInt32LE(looks.length, 0);
  writeFileSync(file, Buffer.concat([count, ...looks]));
  return file;
}

/** The part of a clip from one time up to another, ms. */
function between(clip: OpenClip, from: number, to: number): OpenClip {
  const durationMs = Math.min(to, clip.durationMs) - from;
  const last = to - 500 / clip.fps;
  return { ...clip, durationMs, frames: Math.round((clip.frames * durationMs) / clip.durationMs), pictures: (first = 0, end = Infinity) => clip.pictures(Math.max(from, first), Math.min(last, end)) };
}

const refined = new Float32Array(33 * STRIDE);

/** A look as `readLooks` has it, its time and square left open. */
function packed(output: LandmarkOutput): Buffer {
  const points = output.points.slice();
  readPoints(output, { cx: CROP_SIDE / 2, cy: CROP_SIDE / 2, size: CROP_SIDE }, refined);
  for (let p = 0; p < 33; p++) points.set(refined.subarray(p * STRIDE, p * STRIDE + 2), p * 5);
  const mask = new Int8Array(MASK_SIZE);
  for (let k = 0; k < MASK_SIZE; k++) mask[k] = Math.max(-127, Math.min(127, Math.round(output.mask[k]! * 16)));
  const outline = deflateSync(mask, { level: 1 });
  const about = Buffer.alloc(LOOK_HEAD);
  about.writeFloatLE(output.presence, LOOK_HEAD - 8);
  about.writeUInt32LE(outline.length, LOOK_HEAD - 4);
  return Buffer.concat([about, Buffer.from(points.buffer, points.byteOffset, POINT_BYTES), outline]);
}
