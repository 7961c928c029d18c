import { at, POINT, STRIDE, type Track } from "./track";
import { statureInPx } from "./bodySize";

const LEG_PAIRS = [
  [POINT.leftKnee, POINT.rightKnee],
  [POINT.leftAnkle, POINT.rightAnkle],
  [POINT.leftHeel, POINT.rightHeel],
  [POINT.leftToe, POINT.rightToe],
] as const;

/** Travel of one point between frames beyond which more distance says nothing more, as a share of stature (pilot: 60 px at 420). */
const TRAVEL_CAP = 0.14;

/**
 * Puts swapped legs right. The network calls one leg by the other's name in some frames; knee, ankle, heel and toe
 * always swap together. The likeliest sequence of {as is, swapped} is the one whose points travel least (Viterbi),
 * with the golfer's left leg to the right of the picture in the first still frames, as it is when seen face-on.
 *
 * @returns landmarks with legs exchanged where needed (a copy), and how many frames were
 */
export function mendLegs(track: Track, faceOn: boolean): { landmarks: Float32Array; swapped: number } {
  const n = track.times.length;
  const landmarks = track.landmarks.slice();
  const cap = TRAVEL_CAP * statureInPx(track);
  const back = new Uint8Array(n * 2);
  let cost: [number, number] = [0, 0];
  const travel = (i: number, crossed: boolean) => {
    let sum = 0;
    for (const [l, r] of LEG_PAIRS)
      for (const [a, b] of [[l, crossed ? r : l], [r, crossed ? l : r]] as const) {
        const p = at(i - 1, a);
        const q = at(i, b);
        const dx = landmarks[q]! - landmarks[p]!;
        const dy = landmarks[q + 1]! - landmarks[p + 1]!;
        sum += Math.min(Math.sqrt(dx * dx + dy * dy), cap);
      }
    return sum;
  };
  const first = Math.min(n, 12);
  for (let i = 0; i < n; i++) {
    const side = faceOn && i < first ? landmarks[at(i, POINT.leftAnkle)]! - landmarks[at(i, POINT.rightAnkle)]! : 0;
    const prior: [number, number] = [side < 0 ? cap : 0, side > 0 ? cap : 0];
    if (i === 0) {
      cost = prior;
      continue;
    }
    const same = travel(i, false);
    const cross = travel(i, true);
    const next: [number, number] = [0, 0];
    for (const state of [0, 1] as const) {
      const stay = cost[state] + same;
      const change = cost[state === 0 ? 1 : 0] + cross;
      back[i * 2 + state] = stay <= change ? state : 1 - state;
      next[state] = Math.min(stay, change) + prior[state];
    }
    cost = next;
  }
  let state = cost[0] <= cost[1] ? 0 : 1;
  let swapped = 0;
  for (let i = n - 1; i >= 0; i--) {
    if (state === 1) {
      swapped++;
      for (const [l, r] of LEG_PAIRS)
        for (let k = 0; k < STRIDE; k++) {
          const a = at(i, l) + k;
          const b = at(i, r) + k;
          [landmarks[a], landmarks[b]] = [landmarks[b]!, landmarks[a]!];
        }
    }
    state = back[i * 2 + state]!;
  }
  return { landmarks, swapped };
}
