import { runningMedian } from "../maths/stats";
import { at, POINT, type Track } from "./track";

/**
 * Frame of the rough top of a swing: the hands' slowest instant above the shoulders before their fastest descent.
 * Null when the hands never rise above the elbows' line. Only says where to look closely.
 */
export function roughTop(track: Pick<Track, "landmarks" | "times">): number | null {
  const { landmarks, times } = track;
  const n = times.length;
  const mid = (a: number, b: number, axis: 0 | 1) =>
    runningMedian(Array.from({ length: n }, (_, i) => (landmarks[at(i, a) + axis]! + landmarks[at(i, b) + axis]!) / 2), 2);
  const handY = mid(POINT.leftWrist, POINT.rightWrist, 1);
  const handX = mid(POINT.leftWrist, POINT.rightWrist, 0);
  const shoulderY = mid(POINT.leftShoulder, POINT.rightShoulder, 1);
  const hipY = mid(POINT.leftHip, POINT.rightHip, 1);
  const speed = (i: number) => Math.hypot(handX[i + 1]! - handX[i - 1]!, handY[i + 1]! - handY[i - 1]!) / (times[i + 1]! - times[i - 1]!);
  let descent = -1;
  let fastest = 0;
  for (let i = 2; i < n - 2; i++) {
    const down = (handY[i + 2]! - handY[i - 2]!) / (times[i + 2]! - times[i - 2]!);
    if (down > fastest && handY[i]! > shoulderY[i]!) {
      fastest = down;
      descent = i;
    }
  }
  if (descent < 0) return null;
  let top = -1;
  let slowest = Infinity;
  for (let i = descent; i >= 1 && times[descent]! - times[i]! < 700; i--) {
    const high = (hipY[i]! + shoulderY[i]!) / 2 - handY[i]!;
    if (high > 0 && speed(i) < slowest) {
      slowest = speed(i);
      top = i;
    }
  }
  return top < 0 ? null : top;
}
