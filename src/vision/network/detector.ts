import type { Square } from "../crop";
import { DETECT_SIDE } from "./poseNetwork";

/**
 * A person found by the detector: the square in which the landmark network should look, and how
 * sure it is (0–1).
 */
export interface Found {
  score: number;
  square: Square;
}

const ANCHORS = anchors();
const SURE = 0.5;
const OVERLAP = 0.3;

/**
 * Decodes the detector's raw output. Anchors are cell centres of grids 28² × 2, 14² × 2, 7² × 6;
 * overlapping boxes (intersection over union > 0.3) are averaged by score. The box is the head's;
 * the body's square follows from the two body points: mid-hip and a point on the circle round the
 * whole body.
 *
 * @param tile the square of the picture that was looked at
 */
export function decodeDetections(boxes: Float32Array, scores: Float32Array, tile: Square): Found[] {
  const candidates: { score: number; v: number[] }[] = [];
  for (let i = 0; i < ANCHORS.length; i++) {
    const score = sigmoid(scores[i]!);
    if (score < SURE) continue;
    const [ax, ay] = ANCHORS[i]!;
    const b = boxes.subarray(i * 12, i * 12 + 12);
    const x = (k: number) => b[k]! / DETECT_SIDE + ax;
    const y = (k: number) => b[k]! / DETECT_SIDE + ay;
    const [w, h] = [b[2]! / DETECT_SIDE, b[3]! / DETECT_SIDE];
    candidates.push({
      score,
      v: [x(0) - w / 2, y(1) - h / 2, x(0) + w / 2, y(1) + h / 2, x(4), y(5), x(6), y(7)],
    });
  }
  candidates.sort((a, b) => b.score - a.score);
  const found: Found[] = [];
  let rest = candidates;
  while (rest.length) {
    const best = rest[0]!;
    const group = rest.filter((c) => c === best || overlap(best.v, c.v) > OVERLAP);
    rest = rest.filter((c) => !group.includes(c));
    const sum = group.reduce((s, c) => s + c.score, 0);
    const v = best.v.map((_, k) => group.reduce((s, c) => s + c.score * c.v[k]!, 0) / sum);
    const toPx = (x: number, y: number): [number, number] => [
      tile.cx + (x - 0.5) * tile.size,
      tile.cy + (y - 0.5) * tile.size,
    ];
    found.push({ score: best.score, square: bodySquare(toPx(v[4]!, v[5]!), toPx(v[6]!, v[7]!)) });
  }
  return found;
}

/** The usual landmark square: centred on mid-hip, 1.25 times the circle round the body. */
export function bodySquare(
  [cx, cy]: readonly [number, number],
  [rx, ry]: readonly [number, number],
): Square {
  return { cx, cy, size: 2 * 1.25 * Math.hypot(rx - cx, ry - cy) };
}

export const sigmoid = (x: number): number => 1 / (1 + Math.exp(-Math.max(-100, Math.min(100, x))));

function anchors(): [number, number][] {
  const out: [number, number][] = [];
  for (const [n, repeat] of [
    [28, 2],
    [14, 2],
    [7, 6],
  ] as const)
    for (let y = 0; y < n; y++)
      for (let x = 0; x < n; x++)
        for (let k = 0; k < repeat; k++) out.push([(x + 0.5) / n, (y + 0.5) / n]);
  return out;
}

function overlap(a: number[], b: number[]): number {
  const w = Math.min(a[2]!, b[2]!) - Math.max(a[0]!, b[0]!);
  const h = Math.min(a[3]!, b[3]!) - Math.max(a[1]!, b[1]!);
  if (w <= 0 || h <= 0) return 0;
  const both = w * h;
  return both / ((a[2]! - a[0]!) * (a[3]! - a[1]!) + (b[2]! - b[0]!) * (b[3]! - b[1]!) - both);
}
