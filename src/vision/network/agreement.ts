import { at, POINTS, STRIDE } from "../../core/track";
import { readPoints } from "./points";
import { CROP_SIDE, type LandmarkOutput, type PoseNetwork } from "./poseNetwork";

/**
 * A graphics processor is used when no point of the golden crops lies farther than this from where
 * the processor sees it, px of the crop.
 */
export const AGREED_PX = 0.5;
const WHOLE = { cx: CROP_SIDE / 2, cy: CROP_SIDE / 2, size: CROP_SIDE };
/** Looks by which a network's speed is told. */
const TIMED = 6;

/**
 * How far apart two outputs for one crop see the point that they agree on least, px of the crop.
 */
export function apart(a: LandmarkOutput, b: LandmarkOutput): number {
  const [p, q] = [a, b].map((output) => {
    const points = new Float32Array(POINTS * STRIDE);
    readPoints(output, WHOLE, points);
    return points;
  }) as [Float32Array, Float32Array];
  const ways = Array.from({ length: POINTS }, (_, i) =>
    Math.hypot(p[at(0, i)]! - q[at(0, i)]!, p[at(0, i) + 1]! - q[at(0, i) + 1]!),
  );
  // A number that is none agrees with nothing.
  return ways.some(Number.isNaN) ? Infinity : Math.max(...ways);
}

/**
 * What one look takes on this device, ms, with as many under way as the network looks at at once.
 */
export async function lookMs(network: PoseNetwork): Promise<number> {
  const began = performance.now();
  await Promise.all(
    Array.from({ length: TIMED }, async () =>
      network.done(await network.landmarks(network.crop().fill(0.4))),
    ),
  );
  return (performance.now() - began) / TIMED;
}

/** The largest distance of two networks over some crops, px of the crop. */
export async function disagreement(
  a: PoseNetwork,
  b: PoseNetwork,
  crops: readonly Float32Array[],
): Promise<number> {
  let most = 0;
  for (const crop of crops) {
    const [one, other] = await Promise.all(
      [a, b].map((network) => {
        const own = network.crop();
        own.set(crop);
        return network.landmarks(own);
      }),
    );
    most = Math.max(most, apart(one!, other!));
  }
  return most;
}
