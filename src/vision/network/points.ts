import { POINTS, STRIDE } from "../../core/track";
import type { Square } from "../crop";
import { sigmoid } from "./detector";
import { CROP_SIDE, type LandmarkOutput } from "./poseNetwork";

const HEAT_SIDE = 64;
const OUTPUTS = 39;
const WINDOW = 3;
/**
 * A refined point further than this from the raw one (px of the crop) has jumped to another peak,
 * often the other foot.
 */
const JUMP = 6;

/**
 * Reads the 33 body points out of the network's output: each is moved to the centre of its heat-map
 * peak (7 × 7 cells round the raw point, where the peak is at least 0.5), then placed in the
 * picture.
 *
 * σ is the spread of the heat round the point, px: a relative sign of doubt, not a calibrated
 * error.
 *
 * @param out where x, y, visibility, σ of each point go
 */
export function readPoints(output: LandmarkOutput, square: Square, out: Float32Array): void {
  const { points, heat } = output;
  const scale = square.size / CROP_SIDE;
  for (let p = 0; p < POINTS; p++) {
    let x = points[p * 5]!;
    let y = points[p * 5 + 1]!;
    let spread = WINDOW * 4;
    const column = Math.floor((x / CROP_SIDE) * HEAT_SIDE);
    const row = Math.floor((y / CROP_SIDE) * HEAT_SIDE);
    if (column >= 0 && column < HEAT_SIDE && row >= 0 && row < HEAT_SIDE) {
      let sum = 0;
      let sx = 0;
      let sy = 0;
      let squares = 0;
      let peak = 0;
      for (let r = Math.max(0, row - WINDOW); r <= Math.min(HEAT_SIDE - 1, row + WINDOW); r++)
        for (
          let c = Math.max(0, column - WINDOW);
          c <= Math.min(HEAT_SIDE - 1, column + WINDOW);
          c++
        ) {
          const v = sigmoid(heat[(r * HEAT_SIDE + c) * OUTPUTS + p]!);
          sum += v;
          sx += c * v;
          sy += r * v;
          squares += (c * c + r * r) * v;
          if (v > peak) peak = v;
        }
      if (peak >= 0.5 && sum > 0) {
        const k = CROP_SIDE / HEAT_SIDE;
        const rx = (sx / sum) * k;
        const ry = (sy / sum) * k;
        if (Math.hypot(rx - x, ry - y) <= JUMP) {
          x = rx;
          y = ry;
        }
        spread = k * Math.sqrt(Math.max(squares / sum - (sx / sum) ** 2 - (sy / sum) ** 2, 0));
      }
    }
    out[p * STRIDE] = square.cx + (x / CROP_SIDE - 0.5) * square.size;
    out[p * STRIDE + 1] = square.cy + (y / CROP_SIDE - 0.5) * square.size;
    out[p * STRIDE + 2] = sigmoid(points[p * 5 + 3]!) * sigmoid(points[p * 5 + 4]!);
    out[p * STRIDE + 3] = spread * scale;
  }
}

/**
 * The square that the landmark network itself proposes for the next look (its 34th and 35th
 * outputs).
 */
export function proposedSquare(
  output: LandmarkOutput,
  square: Square,
): [readonly [number, number], readonly [number, number]] {
  const place = (p: number) =>
    [
      square.cx + (output.points[p * 5]! / CROP_SIDE - 0.5) * square.size,
      square.cy + (output.points[p * 5 + 1]! / CROP_SIDE - 0.5) * square.size,
    ] as const;
  return [place(33), place(34)];
}
