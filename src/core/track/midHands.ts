import { runningMedian } from "../maths/stats";
import { at, POINT, type Track } from "./track";

/**
 * Power of a hand's visibility by which it counts. Where the trunk hides one arm the network still draws its hand, on the
 * chest, but says so: at the top of a swing the plain middle of both was up to 39 cm off, weighted so up to 13 (exponents 0,
 * 1, 2, 4, 8 on the fit set: worst 39, 18, 15, 13, 13; docs/accuracy.md).
 */
const TRUST = 4;
const LEAST = 0.02;

/** Middle of the two hands, px per frame: each hand between its wrist and index finger, counted by how surely it is seen. */
export function midHands({ landmarks, times }: Pick<Track, "landmarks" | "times">): { x: Float64Array; y: Float64Array } {
  const n = times.length;
  const trust = (p: number) => runningMedian(Array.from({ length: n }, (_, i) => Math.max(LEAST, landmarks[at(i, p) + 2]!)), 2).map((v) => v ** TRUST);
  const left = trust(POINT.leftWrist);
  const right = trust(POINT.rightWrist);
  const along = (axis: 0 | 1) =>
    Float64Array.from({ length: n }, (_, i) => {
      const hand = (wrist: number, index: number) => (landmarks[at(i, wrist) + axis]! + landmarks[at(i, index) + axis]!) / 2;
      return (left[i]! * hand(POINT.leftWrist, POINT.leftIndex) + right[i]! * hand(POINT.rightWrist, POINT.rightIndex)) / (left[i]! + right[i]!);
    });
  return { x: along(0), y: along(1) };
}
