import { at, POINT, STRIDE, type Track } from "./track";
import { statureInPx } from "./bodySize";

type Pair = readonly [left: number, right: number];

/**
 * Pairs of points that the network swaps together; the first of each group tells on which side of
 * the picture it stands.
 */
const GROUPS: readonly (readonly Pair[])[] = [
  [
    [POINT.leftAnkle, POINT.rightAnkle],
    [POINT.leftKnee, POINT.rightKnee],
    [POINT.leftHeel, POINT.rightHeel],
    [POINT.leftToe, POINT.rightToe],
  ],
  [[POINT.leftHip, POINT.rightHip]],
  [
    [POINT.leftShoulder, POINT.rightShoulder],
    [POINT.leftElbow, POINT.rightElbow],
    [POINT.leftWrist, POINT.rightWrist],
    [POINT.leftIndex, POINT.rightIndex],
    [POINT.leftEar, POINT.rightEar],
  ],
];
const SHOULDERS = GROUPS[2]![0]!;

/**
 * Travel of one point between frames beyond which more distance says nothing more, as a share of
 * stature (60 px of 420 in the study of docs/decisions/26).
 */
const TRAVEL_CAP = 0.14;
/**
 * What calling a frame swapped costs, as a share of one point's capped travel: where two feet
 * cross, travel tells nothing and the network's own names count; swaps of up to two seconds are
 * still put right.
 */
const DISTRUST = 0.12;
const FIRST_FRAMES = 12;

/**
 * Puts swapped sides right. The network calls one leg (or arm, or hip) by the other's name in some
 * frames; the points of a group always swap together. The likeliest sequence of {as is, swapped} is
 * the one whose points travel least (Viterbi), with the golfer's left side to the right of the
 * picture in the first still frames, as it is when seen face-on.
 *
 * @returns landmarks with sides exchanged where needed (a copy), and in which share of the frames
 * the network itself saw the shoulders from behind
 */
export function mendSides(
  track: Track,
  faceOn: boolean,
): { landmarks: Float32Array; fromBehind: number } {
  const landmarks = track.landmarks.slice();
  const n = track.times.length;
  let behind = 0;
  for (let i = 0; i < n; i++)
    if (landmarks[at(i, SHOULDERS[0])]! < landmarks[at(i, SHOULDERS[1])]!) behind++;
  // From the side left and right lie behind one another: nothing tells them apart.
  const cap = TRAVEL_CAP * statureInPx(track);
  for (const group of faceOn ? GROUPS : GROUPS.slice(0, 1))
    mendGroup(landmarks, n, group, cap, faceOn);
  return { landmarks, fromBehind: behind / n };
}

function mendGroup(
  landmarks: Float32Array,
  n: number,
  group: readonly Pair[],
  cap: number,
  faceOn: boolean,
): void {
  const back = new Uint8Array(n * 2);
  let cost: [number, number] = [0, 0];
  const way = (i: number, a: number, b: number) => {
    const p = at(i - 1, a);
    const q = at(i, b);
    const dx = landmarks[q]! - landmarks[p]!;
    const dy = landmarks[q + 1]! - landmarks[p + 1]!;
    return Math.min(Math.sqrt(dx * dx + dy * dy), cap);
  };
  const travel = (i: number, crossed: boolean) => {
    let sum = 0;
    for (let g = 0; g < group.length; g++) {
      const [l, r] = group[g]!;
      sum += way(i, l, crossed ? r : l) + way(i, r, crossed ? l : r);
    }
    return sum;
  };
  const [left, right] = group[0]!;
  for (let i = 0; i < n; i++) {
    const side =
      faceOn && i < FIRST_FRAMES ? landmarks[at(i, left)]! - landmarks[at(i, right)]! : 0;
    const prior: [number, number] = [side < 0 ? cap : 0, (side > 0 ? cap : 0) + DISTRUST * cap];
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
  for (let i = n - 1; i >= 0; i--) {
    if (state === 1)
      for (const [l, r] of group)
        for (let k = 0; k < STRIDE; k++) {
          const a = at(i, l) + k;
          const b = at(i, r) + k;
          [landmarks[a], landmarks[b]] = [landmarks[b]!, landmarks[a]!];
        }
    state = back[i * 2 + state]!;
  }
}
