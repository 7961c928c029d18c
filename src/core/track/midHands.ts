import { runningMedian } from "../maths";
import { at, POINT, type Track } from "./track";

/**
 * Power of a hand's visibility by which it counts. Where the trunk hides one arm the network still
 * draws its hand, on the chest, but says so: at the top of a swing the plain middle of both was up
 * to 39 cm off, weighted so up to 13 (exponents 0, 1, 2, 4, 8 on the fit set: worst 39, 18, 15, 13,
 * 13; docs/accuracy.md).
 */
const TRUST = 4;
const LEAST = 0.02;

/**
 * Middle of the two hands, px per frame: each hand between its wrist and index finger, counted by
 * how surely it is seen.
 */
export function midHands({ landmarks, times }: Pick<Track, "landmarks" | "times">): {
  x: Float64Array;
  y: Float64Array;
} {
  const n = times.length;
  const trust = (p: number) =>
    runningMedian(
      Array.from({ length: n }, (_, i) => Math.max(LEAST, landmarks[at(i, p) + 2]!)),
      2,
    ).map((v) => v ** TRUST);
  const left = trust(POINT.leftWrist);
  const right = trust(POINT.rightWrist);
  const along = (axis: 0 | 1) => {
    const out = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const l =
        landmarks[at(i, POINT.leftWrist) + axis]! + landmarks[at(i, POINT.leftIndex) + axis]!;
      const r =
        landmarks[at(i, POINT.rightWrist) + axis]! + landmarks[at(i, POINT.rightIndex) + axis]!;
      out[i] = (left[i]! * l + right[i]! * r) / 2 / (left[i]! + right[i]!);
    }
    return out;
  };
  return { x: along(0), y: along(1) };
}
