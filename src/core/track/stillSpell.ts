import { statureInPx } from "./bodySize";
import { filtfilt, derivative, lowPass, resample } from "../maths";
import { midHands } from "./midHands";
import { roughReps } from "./roughReps";
import { at, POINT, type Track } from "./track";

/**
 * Hands slower than this stand still (share of stature a second; 0.04 is 7 cm/s, over the points'
 * own noise at 3 Hz).
 */
const STILL = 0.04;
const SHORTEST_MS = 250;

/**
 * The golfer's still spell before the swing (frames `from`…`to`), by the hands: the last one before
 * the rough top; else the quietest quarter second before it. Null when there is nothing before the
 * top.
 */
export function stillSpell(
  track: Pick<Track, "landmarks" | "times" | "presence">,
): { from: number; to: number; moving: boolean } | null {
  const { landmarks, times } = track;
  const n = times.length;
  const top = roughReps(track)[0]?.top ?? n - 1;
  const dt = (times[n - 1]! - times[0]!) / 1000 / (n - 1);
  const smooth = lowPass(3, dt);
  const hands = midHands(track);
  const speed = (raw: Float64Array) =>
    derivative(filtfilt(smooth, resample(times, raw, times[0]!, dt * 1000, n)), dt);
  const vx = speed(hands.x);
  const vy = speed(hands.y);
  const tall = statureInPx(track);
  const need = Math.max(2, Math.round(SHORTEST_MS / 1000 / dt));
  for (let to = top; to >= need; to--) {
    if (Math.hypot(vx[to]!, vy[to]!) > STILL * tall) continue;
    let from = to;
    while (from > 0 && Math.hypot(vx[from - 1]!, vy[from - 1]!) <= STILL * tall) from--;
    // A club's pause at the top is not an address: the hands must be below the shoulders.
    const low =
      landmarks[at(to, POINT.leftWrist) + 1]! >
      (landmarks[at(to, POINT.leftShoulder) + 1]! + landmarks[at(to, POINT.leftHip) + 1]!) / 2;
    if (low && to - from + 1 >= need) return { from, to, moving: false };
    to = from;
  }
  let best = -1;
  let quietest = Infinity;
  for (let i = 0; i + need <= top; i++) {
    let sum = 0;
    for (let k = i; k < i + need; k++) sum += Math.hypot(vx[k]!, vy[k]!);
    if (sum < quietest) {
      quietest = sum;
      best = i;
    }
  }
  return best < 0 ? null : { from: best, to: best + need - 1, moving: true };
}
