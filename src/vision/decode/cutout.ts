import type { Box, Frame } from "./frame";

/** A piece of a decoded picture in memory, stored the way round that the picture was. */
export interface Cutout {
  frame: Frame;
  /** Its top left corner in the upright picture, px; even. */
  left: number;
  top: number;
  /** The upright picture that it is of, px. */
  of: { width: number; height: number };
}

/**
 * The area that a cutout of some boxes covers: inside the picture, on even pixels (two share one
 * colour), with one colour more on each side, of which a crop's outermost pixels may have a part.
 */
export function cutoutArea(boxes: readonly Box[], width: number, height: number): Box {
  const even = (v: number) => v - (v % 2);
  const [left, top, right, bottom] = [
    Math.min(...boxes.map((b) => b.left)),
    Math.min(...boxes.map((b) => b.top)),
    Math.max(...boxes.map((b) => b.right)),
    Math.max(...boxes.map((b) => b.bottom)),
  ];
  return {
    left: Math.max(0, even(Math.floor(left)) - 2),
    top: Math.max(0, even(Math.floor(top)) - 2),
    right: Math.min(even(width), even(Math.ceil(right) + 1) + 2),
    bottom: Math.min(even(height), even(Math.ceil(bottom) + 1) + 2),
  };
}

/** Bytes of a cutout of an area. */
export const cutoutBytes = (a: Box): number => ((a.right - a.left) * (a.bottom - a.top) * 3) / 2;

/** Memory for a whole picture, which may have an odd row or column. */
export const memoryForWhole = (of: { width: number; height: number }): Uint8Array<ArrayBuffer> =>
  new Uint8Array(wholeBytes(of));

/** Bytes of that. */
export const wholeBytes = ({ width, height }: { width: number; height: number }): number =>
  cutoutBytes({ left: 0, top: 0, right: width + 1, bottom: height + 1 });

/** Where an area of the upright picture (`width` × `height`) is in the picture as it is stored. */
export function storedRect(
  rotation: Frame["rotation"],
  { left, top, right, bottom }: Box,
  width: number,
  height: number,
): { x: number; y: number; width: number; height: number } {
  const [w, h] = [right - left, bottom - top];
  switch (rotation) {
    case 0:
      return { x: left, y: top, width: w, height: h };
    case 90:
      return { x: top, y: width - right, width: h, height: w };
    case 180:
      return { x: width - right, y: height - bottom, width: w, height: h };
    case 270:
      return { x: height - bottom, y: left, width: h, height: w };
  }
}
