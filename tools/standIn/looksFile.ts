import { deflateSync } from "node:zlib";
import type { Track } from "../../src/core/track/track";
import type { Repeat } from "../../src/vision/worker/standInCamera";
import { trackLooks } from "./trackLooks";
import { LOOK_HEAD, POINT_BYTES, type RecordedLooks } from "./recordedLooks";

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

/**
 * Tracks as a recording: what the network would have said to see just that.
 *
 * @param tracks of films that are played one after another
 * @param waitS how long each film's first picture stands before it
 * @param restS and its last one after it
 */
export function looksOfTracks(
  tracks: readonly Track[],
  { waitS = 0, restS = 0 }: Partial<Pick<Repeat, "waitS" | "restS">> = {},
): Buffer {
  const looks: Buffer[] = [];
  let began = 0;
  for (const track of tracks) {
    const { times, look } = trackLooks(track);
    const frameMs = (times.at(-1) - times[0]!) / (times.length - 1);
    const [waits, rests] = [waitS, restS].map((s) => Math.round((s * 1000) / frameMs)) as [
      number,
      number,
    ];
    const all = waits + times.length + rests;
    for (let i = 0; i < all; i++)
      looks.push(
        packLook(began + i * frameMs, look(Math.min(Math.max(i - waits, 0), times.length - 1))),
      );
    began += all * frameMs;
  }
  return looksFile(looks);
}
