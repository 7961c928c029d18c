import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import v8 from "node:v8";
import { deflateSync } from "node:zlib";
import { STRIDE } from "../../../src/core/track/track";
import { POINT_BYTES } from "../../../src/vision/live/standInNetwork";
import { readPoints } from "../../../src/vision/network/points";
import { CROP_SIDE, MASK_SIZE, type LandmarkOutput } from "../../../src/vision/network/poseNetwork";

/** Records what the real network says of each picture of a film, once, for the stand-in network; where the file is. */
export async function recordLooks(film: string): Promise<string> {
  const file = path.join(".work/camera", `${path.basename(film, ".mp4")}.looks`);
  if (existsSync(file)) return file;
  mkdirSync(path.dirname(file), { recursive: true });
  v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
  const [{ loadNodeNetwork, openClipFile }, { readClip }] = [await import("../../../src/vision/node/loadNode"), await import("../../../src/vision/read")];
  const clip = await openClipFile(film);
  const real = await loadNodeNetwork();
  // Finding the golfer comes first: the last calls are those of the pictures, in order.
  const said: Buffer[] = [];
  const { track } = await readClip(clip, {
    ...real,
    landmarks: async (input) => {
      const at = said.push(Buffer.alloc(0)) - 1;
      const output = await real.landmarks(input);
      said[at] = packed(output);
      return output;
    },
  }, { faceOn: true });
  const square = track.crop;
  const head = Buffer.alloc(28);
  head.writeUInt32LE(track.times.length, 0);
  [square.cx, square.cy, square.size].forEach((v, k) => head.writeDoubleLE(v, 4 + 8 * k));
  const parts = said.slice(-track.times.length).map((look, i) => {
    look.writeDoubleLE(track.times[i]!, 0);
    return look;
  });
  writeFileSync(file, Buffer.concat([head, ...parts]));
  return file;
}

const refined = new Float32Array(33 * STRIDE);

/** A look as `readLooks` has it, its time left open. */
function packed(output: LandmarkOutput): Buffer {
  const points = output.points.slice();
  readPoints(output, { cx: CROP_SIDE / 2, cy: CROP_SIDE / 2, size: CROP_SIDE }, refined);
  for (let p = 0; p < 33; p++) points.set(refined.subarray(p * STRIDE, p * STRIDE + 2), p * 5);
  const mask = new Int8Array(MASK_SIZE);
  for (let k = 0; k < MASK_SIZE; k++) mask[k] = Math.max(-127, Math.min(127, Math.round(output.mask[k]! * 16)));
  const outline = deflateSync(mask, { level: 1 });
  const about = Buffer.alloc(16);
  about.writeFloatLE(output.presence, 8);
  about.writeUInt32LE(outline.length, 12);
  return Buffer.concat([about, Buffer.from(points.buffer, points.byteOffset, POINT_BYTES), outline]);
}
