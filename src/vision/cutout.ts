import { uprightPlane, type Frame, type Plane } from "./decode/frame";
import type { Box } from "./still/background";

/** A piece of a decoded picture kept for later: upright, in its own memory. */
export interface Cutout {
  frame: Frame;
  /** Its top left corner in the upright picture, px; even. */
  left: number;
  top: number;
}

/** The area that a cutout of a box covers: inside the picture, on even pixels (two share one colour). */
export function cutoutArea(box: Box, width: number, height: number): Box {
  const even = (v: number) => v - (v % 2);
  return { left: Math.max(0, even(Math.floor(box.left))), top: Math.max(0, even(Math.floor(box.top))), right: Math.min(even(width), even(Math.ceil(box.right) + 1)), bottom: Math.min(even(height), even(Math.ceil(box.bottom) + 1)) };
}

/** Bytes of a cutout of an area. */
export const cutoutBytes = (a: Box): number => ((a.right - a.left) * (a.bottom - a.top) * 3) / 2;

/** Copies an area (of `cutoutArea`) out of a frame; what is read from it is what would have been read from the frame. */
export function cutout(frame: Frame, area: Box): Cutout {
  const width = area.right - area.left;
  const height = area.bottom - area.top;
  const [cw, ch] = [width >> 1, height >> 1];
  const data = new Uint8Array(cutoutBytes(area));
  const [w, h] = [(frame.width + 1) >> 1, (frame.height + 1) >> 1];
  copy(frame, frame.y, frame.width, frame.height, area.left, area.top, width, height, data, 0);
  copy(frame, frame.u, w, h, area.left >> 1, area.top >> 1, cw, ch, data, width * height);
  copy(frame, frame.v, w, h, area.left >> 1, area.top >> 1, cw, ch, data, width * height + cw * ch);
  return {
    frame: {
      timeMs: frame.timeMs, data, width, height, rotation: 0, matrix: frame.matrix, fullRange: frame.fullRange,
      y: { offset: 0, stride: width, step: 1 }, u: { offset: width * height, stride: cw, step: 1 }, v: { offset: width * height + cw * ch, stride: cw, step: 1 },
    },
    left: area.left, top: area.top,
  };
}

function copy(frame: Frame, plane: Plane, planeWidth: number, planeHeight: number, left: number, top: number, width: number, height: number, out: Uint8Array, to: number): void {
  const { origin, dx, dy } = uprightPlane(plane, planeWidth, planeHeight, frame.rotation);
  for (let y = 0, i = to; y < height; y++) {
    let at = origin + (top + y) * dy + left * dx;
    if (dx === 1) {
      out.set(frame.data.subarray(at, at + width), i);
      i += width;
    } else for (let x = 0; x < width; x++, at += dx) out[i++] = frame.data[at]!;
  }
}
