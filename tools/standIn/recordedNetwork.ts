import type { Square } from "../../src/vision/crop/resample";
import {
  CROP_SIDE,
  HEAT_SIZE,
  MASK_SIZE,
  type LandmarkOutput,
  type PoseNetwork,
} from "../../src/vision/network/poseNetwork";
import { detectedIn } from "./detectedIn";
import type { RecordedLooks } from "./recordedLooks";

const OUTSIDE = -8;
const UNSURE_HEAT = -20;
const STEPS = 16;

export interface Recording {
  looks: RecordedLooks;
  /** What one call takes, ms. */
  ms: number;
  /** After so long, ms, the film is played again; till then its last picture stands. */
  periodMs?: number | undefined;
}

/**
 * A network as quick as a good phone's: it says of a picture of a known film what the real one once
 * said of it, in a given time. For measuring what everything else costs, and for tests that know
 * the answers.
 *
 * @param recording which one is played now
 */
export function recordedNetwork(recording: () => Recording): PoseNetwork {
  let last: Promise<unknown> = Promise.resolve();
  const heat = new Float32Array(HEAT_SIZE).fill(UNSURE_HEAT);
  const masks: Float32Array<ArrayBuffer>[] = [];
  const crops: Float32Array<ArrayBuffer>[] = [];
  const lookAt = (t: number) => {
    const { looks, periodMs = Infinity } = recording();
    return looks.look(pictureAt(looks.times, t % periodMs));
  };
  const inTurn = <T>(answer: () => T): Promise<T> => {
    const now = last.then(async () => {
      await new Promise((r) => setTimeout(r, recording().ms));
      return answer();
    });
    last = now;
    return now;
  };
  return {
    model: "recorded",
    threads: 1,
    atOnce: 1,
    crop: () => crops.pop() ?? new Float32Array(CROP_SIDE * CROP_SIDE * 3),
    done: ({ mask }) => void masks.push(mask),
    landmarks: (input, of) =>
      inTurn(() => {
        crops.push(input);
        const { t, square } = of!;
        return outputOf(lookAt(t), square, heat, masks.pop() ?? new Float32Array(MASK_SIZE));
      }),
    detect: (_input, of) => inTurn(() => detectedIn(lookAt(of!.t), of!.square)),
  };
}

/** Which of a film's pictures, at even times, is shown at a time, ms. */
function pictureAt(times: Float64Array, t: number): number {
  const frame = (times[times.length - 1]! - times[0]!) / (times.length - 1);
  return Math.min(times.length - 1, Math.max(0, Math.round(t / frame)));
}

function outputOf(
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
