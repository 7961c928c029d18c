import { midHands, POINT, STRIDE } from "../../core/track";
import type { Cutout, Box } from "../decode";
import { lumaWindow, type LumaWindow } from "../patches";
import { brightness } from "../still";

/** Brightness of a part of the upright picture, out of what was cut of it. */
export function windowOf(
  { frame, left, top }: Cutout,
  x: number,
  y: number,
  width: number,
  height: number,
): LumaWindow {
  return { ...lumaWindow(frame, x - left, y - top, width, height), left: x, top: y };
}

/** The same round a place. */
export const windowIn = (cut: Cutout, x: number, y: number, side: number): LumaWindow =>
  windowOf(cut, Math.round(x) - (side >> 1), Math.round(y) - (side >> 1), side, side);

const shifted = (b: Box, x: number, y: number): Box => ({
  left: b.left + x,
  top: b.top + y,
  right: b.right + x,
  bottom: b.bottom + y,
});

/** This picture's middle of the hands, px. */
export const handsNow = (points: Float32Array): [number, number] => {
  const { x, y } = midHands({ landmarks: points, times: Float64Array.of(0) });
  return [x[0]!, y[0]!];
};

function trunkBox(points: Float32Array): Box {
  const used = [
    POINT.leftShoulder,
    POINT.rightShoulder,
    POINT.leftHip,
    POINT.rightHip,
    POINT.leftKnee,
    POINT.rightKnee,
  ];
  const xs = used.map((p) => points[p * STRIDE]!);
  const ys = used.map((p) => points[p * STRIDE + 1]!);
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    top: Math.min(...ys),
    bottom: Math.max(...ys),
  };
}

/** How bright the golfer's trunk and thighs are (0–255). */
export const lumaOf = (cut: Cutout, points: Float32Array): number =>
  brightness(cut.frame, shifted(trunkBox(points), -cut.left, -cut.top));
