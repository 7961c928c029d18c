import type { Square } from "../../src/vision/crop/resample";

/**
 * What a network once said of each picture of a film: its outputs, body points refined, and the
 * square that they were said of.
 */
export interface RecordedLooks {
  /** ms from the film's first picture. */
  times: Float64Array;
  /**
   * A picture: 39 × (x, y, z, visibility logit, presence logit), px of the crop; presence; the
   * outline in steps of 1/16 logit.
   */
  look(i: number): { square: Square; points: Float32Array; presence: number; mask: Int8Array };
}

/**
 * A recording as one file: the number of pictures, and of each its time, square, presence, size of
 * its outline, points and outline (deflated).
 */
export async function readLooks(file: ArrayBuffer): Promise<RecordedLooks> {
  const view = new DataView(file);
  const n = view.getUint32(0, true);
  const times = new Float64Array(n);
  const seen: ReturnType<RecordedLooks["look"]>[] = [];
  for (let i = 0, at = 4; i < n; i++) {
    times[i] = view.getFloat64(at, true);
    const square = {
      cx: view.getFloat64(at + 8, true),
      cy: view.getFloat64(at + 16, true),
      size: view.getFloat64(at + 24, true),
    };
    const presence = view.getFloat32(at + LOOK_HEAD - 8, true);
    const size = view.getUint32(at + LOOK_HEAD - 4, true);
    const body = at + LOOK_HEAD;
    const points = new Float32Array(file.slice(body, body + POINT_BYTES));
    const mask = new Int8Array(
      await new Response(
        new Blob([file.slice(body + POINT_BYTES, body + POINT_BYTES + size)])
          .stream()
          .pipeThrough(new DecompressionStream("deflate")),
      ).arrayBuffer(),
    );
    seen.push({ square, points, presence, mask });
    at = body + POINT_BYTES + size;
  }
  return { times, look: (i) => seen[i]! };
}

export const POINT_BYTES = 39 * 5 * 4;
/** Time and square as doubles, presence as a float, and the outline's size. */
export const LOOK_HEAD = 40;
