import { runningMedian } from "../maths/stats";
import { at, POINT, type Track } from "./track";

/**
 * Frame of the rough top of a swing: where the arms point highest (mid-hands about mid-shoulder) in the 0.7 s before the
 * hands' fastest fall. Null when the hands never fall. Only says where to look closely.
 */
export function roughTop(track: Pick<Track, "landmarks" | "times">): number | null {
  const { landmarks, times } = track;
  const n = times.length;
  const mid = (a: number, b: number, axis: 0 | 1) =>
    runningMedian(Array.from({ length: n }, (_, i) => (landmarks[at(i, a) + axis]! + landmarks[at(i, b) + axis]!) / 2), 3);
  const handX = mid(POINT.leftWrist, POINT.rightWrist, 0);
  const handY = mid(POINT.leftWrist, POINT.rightWrist, 1);
  const shoulderX = mid(POINT.leftShoulder, POINT.rightShoulder, 0);
  const shoulderY = mid(POINT.leftShoulder, POINT.rightShoulder, 1);
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
  const raised = (i: number) => Math.atan2(Math.abs(handX[i]! - shoulderX[i]!), handY[i]! - shoulderY[i]!);
  let top = descent;
  for (let i = descent; i >= 0 && times[descent]! - times[i]! < 700; i--) if (raised(i) > raised(top)) top = i;
  return top;
}
