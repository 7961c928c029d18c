import { deflateSync } from "node:zlib";
import {
  LOOK_HEAD,
  POINT_BYTES,
  type RecordedLooks,
} from "../../../src/vision/live/standInNetwork";

type Look = ReturnType<RecordedLooks["look"]>;

/** A look as `readLooks` has it. @param t ms from the film's first picture */
export function packLook(t: number, { square, points, presence, mask }: Look): Buffer {
  const outline = deflateSync(mask, { level: 1 });
  const head = Buffer.alloc(LOOK_HEAD);
  [t, square.cx, square.cy, square.size].forEach((v, n) => head.writeDoubleLE(v, 8 * n));
  head.writeFloatLE(presence, LOOK_HEAD - 8);
  head.writeUInt32LE(outline.length, LOOK_HEAD - 4);
  return Buffer.concat([head, Buffer.from(points.buffer, points.byteOffset, POINT_BYTES), outline]);
}

/** A recording of looks as `readLooks` has it. */
export function looksFile(looks: readonly Buffer[]): Buffer {
  const count = Buffer.alloc(4);
  count.writeUInt32LE(looks.length, 0);
  return Buffer.concat([count, ...looks]);
}
