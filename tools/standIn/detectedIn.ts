import type { Square } from "../../src/vision/crop/resample";
import { DETECT_SIDE } from "../../src/vision/network/poseNetwork";
import type { RecordedLooks } from "./recordedLooks";

const BOXES = 2254;
const NOBODY = -20;
const SURELY = 8;
/** The first anchor lies in the middle of the first of 28 × 28 cells. */
const ANCHOR = 0.5 / 28;
/** A body's square is so much larger than the circle round it (see `bodySquare`). */
const ROOM = 1.25;
/** Side of the head's box, share of the tile: any that is one. */
const HEAD = 0.1;

/** What the detector says of a tile in which somebody is looked at in a square. */
export function detectedIn(
  { square }: ReturnType<RecordedLooks["look"]>,
  tile: Square,
): { boxes: Float32Array<ArrayBuffer>; scores: Float32Array<ArrayBuffer> } {
  const boxes = new Float32Array(BOXES * 12);
  const scores = new Float32Array(BOXES).fill(NOBODY);
  const [x, y] = [square.cx, square.cy].map(
    (v, axis) => (v - (axis ? tile.cy : tile.cx)) / tile.size + 0.5,
  ) as [number, number];
  if (x >= 0 && x <= 1 && y >= 0 && y <= 1) {
    scores[0] = SURELY;
    const radius = square.size / (2 * ROOM) / tile.size;
    const at = (v: number) => (v - ANCHOR) * DETECT_SIDE;
    boxes.set([at(x), at(y), HEAD * DETECT_SIDE, HEAD * DETECT_SIDE, at(x), at(y), at(x)]);
    boxes[7] = at(y - radius);
  }
  return { boxes, scores };
}
