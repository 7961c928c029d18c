import { uprightPlane, type Frame } from "../decode";

/**
 * A small piece of one picture's brightness, kept for template tracking: pixel (x, y) of the
 * picture is at (y − top)·width + x − left.
 */
export interface LumaWindow {
  left: number;
  top: number;
  width: number;
  height: number;
  data: Uint8Array;
}

/** Copies a window out of a frame (upright); parts beyond the picture repeat its edge. */
export function lumaWindow(
  frame: Frame,
  left: number,
  top: number,
  width: number,
  height: number,
): LumaWindow {
  const p = uprightPlane(frame.y, frame.width, frame.height, frame.rotation);
  const data = new Uint8Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    const line = p.origin + Math.min(Math.max(top + y, 0), p.height - 1) * p.dy;
    if (p.dx === 1 && left >= 0 && left + width <= p.width) {
      data.set(frame.data.subarray(line + left, line + left + width), i);
      i += width;
      continue;
    }
    for (let x = 0; x < width; x++)
      data[i++] = frame.data[line + Math.min(Math.max(left + x, 0), p.width - 1) * p.dx]!;
  }
  return { left, top, width, height, data };
}
