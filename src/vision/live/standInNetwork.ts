import type { Square } from "../crop/resample";
import {
  CROP_SIDE,
  HEAT_SIZE,
  MASK_SIZE,
  type LandmarkOutput,
  type PoseNetwork,
} from "../network/poseNetwork";

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

const OUTSIDE = -8;
const UNSURE_HEAT = -20;
const STEPS = 16;

/**
 * A network as quick as a good phone's: it says of a picture of a known film what the real one once
 * said of it, in a given time, and the same again when the film is played again. For measuring what
 * everything else costs.
 *
 * @param real finds people, which is rare
 * @param ms what one call takes
 * @param periodMs after so long the film is played again; till then its last picture stands
 */
export function standInNetwork(
  real: PoseNetwork,
  looks: RecordedLooks,
  ms: number,
  periodMs = Infinity,
): PoseNetwork {
  let asked: { t: number; square: Square } | null = null;
  let last: Promise<unknown> = Promise.resolve();
  const heat = new Float32Array(HEAT_SIZE).fill(UNSURE_HEAT);
  const masks: Float32Array<ArrayBuffer>[] = [];
  return {
    ...real,
    atOnce: 1,
    told: (of) => (asked = of),
    done: ({ mask }) => void masks.push(mask),
    landmarks() {
      const { t, square } = asked!;
      const answer = last.then(async () => {
        await new Promise((r) => setTimeout(r, ms));
        return answered(
          looks.look(pictureAt(looks.times, t % periodMs)),
          square,
          heat,
          masks.pop() ?? new Float32Array(MASK_SIZE),
        );
      });
      last = answer;
      return answer;
    },
  };
}

/** Which of a film's pictures, at even times, is shown at a time, ms. */
function pictureAt(times: Float64Array, t: number): number {
  const frame = (times[times.length - 1]! - times[0]!) / (times.length - 1);
  return Math.min(times.length - 1, Math.max(0, Math.round(t / frame)));
}

function answered(
  { square: from, points, presence, mask }: ReturnType<RecordedLooks["look"]>,
  to: Square,
  heat: Float32Array<ArrayBuffer>,
  out: Float32Array<ArrayBuffer>,
): LandmarkOutput {
  // A place in one square's crop is at scale · place + shift in the other's.
  const scale = from.size / to.size;
  const shift = (of: "cx" | "cy") => CROP_SIDE * ((from[of] - to[of]) / to.size + 0.5 - scale / 2);
  const [sx, sy] = [shift("cx"), shift("cy")];
  const moved = points.slice();
  for (let p = 0; p < moved.length; p += 5) {
    moved[p] = moved[p]! * scale + sx;
    moved[p + 1] = moved[p + 1]! * scale + sy;
  }
  out.fill(OUTSIDE);
  for (let y = 0; y < CROP_SIDE; y++) {
    const row = Math.round((y - sy) / scale);
    if (row < 0 || row >= CROP_SIDE) continue;
    for (let x = 0; x < CROP_SIDE; x++) {
      const column = Math.round((x - sx) / scale);
      if (column >= 0 && column < CROP_SIDE)
        out[y * CROP_SIDE + x] = mask[row * CROP_SIDE + column]! / STEPS;
    }
  }
  return { points: moved, presence, mask: out, heat };
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
