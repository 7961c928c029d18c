import { median, runningMedian } from "../maths";
import { statureInPx } from "./bodySize";
import { midHands } from "./midHands";
import { at, POINT, PRESENT, type Track } from "./track";

/** Where a swing roughly is: frames of its top and of its lowest hands on the way through. */
export interface RoughRep {
  top: number;
  low: number;
}

/**
 * Arms raised at least this far from hanging on the way back, and again after the bottom, degrees.
 */
const RAISED = 48;
/** Arms that hang: below this the bottom of a swing is near. */
const HANGING = 36;
/** A way down takes no longer than this, s (a slow rehearsal's; docs/movement.md). */
const LONGEST = 2.6;
/**
 * The arms do not rest while they hang: below `HANGING` for no longer than this share of the way
 * down, and a little.
 */
const RESTING = 0.45;
const RESTING_S = 0.16;
const MOST_SMALLER = 1.5;
/**
 * … and no shorter than this from the top to the middle of the bottom (docs/movement.md: a quicker
 * one is film that runs too fast), s.
 */
const SHORTEST = 0.15;
/**
 * From behind the hands stay up for a while: they have turned since they came this near to their
 * highest, degrees.
 */
const LEVEL = 15;
/** Hips that go farther than this on the way down are walking; share of stature. */
const STAYS = 0.2;
/** Arms that seem to rise for no longer than this have not, ms. */
const JITTER_MS = 70;
/**
 * Nor do hands that are both less visible than this: from behind, the body hides them after the
 * strike.
 */
const VISIBLE = 0.3;

/**
 * Finds the swings in a track by the arms alone: raised, down past hanging and up again without
 * resting there. A waggle, a ball being placed, walking with a club and the way back to address are
 * none of these. Says only where to look closely.
 */
export function roughReps(track: Pick<Track, "landmarks" | "times" | "presence">): RoughRep[] {
  const { times, presence } = track;
  const n = times.length;
  const { raised, guessed } = armRaise(track);
  const jumped = jumps(raised, times);
  const stays = STAYS * statureInPx(track);
  const out: RoughRep[] = [];
  let i = 0;
  while (i < n) {
    // The next bottom: a stretch of hanging arms.
    if (!(raised[i]! < HANGING)) {
      i++;
      continue;
    }
    const from = i;
    let to = i;
    while (i < n && times[i]! - times[to]! <= JITTER_MS) {
      if (raised[i]! < HANGING) to = i;
      i++;
    }
    i = to + 1;
    const bottom = lowest(raised, from, to);
    const top = peakBefore(raised, jumped, times, from);
    if (top < 0 || raised[top]! < RAISED) continue;
    let turned = top;
    while (turned > 0 && raised[turned - 1]! > raised[top]! - LEVEL) turned--;
    if (
      ((times[from]! + times[to]!) / 2 - times[turned]!) / 1000 < SHORTEST ||
      wayOfHips(track, top, bottom) > stays
    )
      continue;
    const down = (times[from]! - times[top]!) / 1000;
    const rested = (times[to]! - times[from]!) / 1000;
    if (down > LONGEST || rested > (RESTING * down + RESTING_S) * small(raised[top]!)) continue;
    const again = peakAfter(guessed, times, to, Math.max(0.4, down * 1.3));
    if (guessed[again]! < RAISED) continue;
    let seen = 0;
    for (let k = top; k <= again; k++) if (presence[k]! > PRESENT) seen++;
    if (seen < 0.7 * (again - top + 1)) continue;
    const last = out[out.length - 1];
    // One swing has one bottom: a second one at once is the hands' jitter.
    if (last && times[top]! - times[last.low]! < 150) continue;
    out.push({ top, low: bottom });
  }
  return out;
}

/**
 * A small swing spends more of its time with hanging arms: as many times longer as its arc outside of
 * that is smaller than a swing's to level arms, but not so long that a rest at address would count.
 */
const small = (raised: number): number =>
  Math.min(Math.max((90 - HANGING) / (raised - HANGING), 1), MOST_SMALLER);

/** How far the hips go from just before the top to the bottom, px. */
function wayOfHips(track: Pick<Track, "landmarks" | "times">, top: number, bottom: number): number {
  const { landmarks, times } = track;
  const x = (i: number) =>
    (landmarks[at(i, POINT.leftHip)]! + landmarks[at(i, POINT.rightHip)]!) / 2;
  let from = top;
  while (from > 0 && times[top]! - times[from]! < 400) from--;
  return Math.abs(x(bottom) - x(from));
}

/**
 * Angle of the arms from hanging straight down, in the picture, degrees 0–180: NaN where the hands
 * are hidden, or as the network guesses it there.
 */
function armRaise({
  landmarks,
  times,
}: Pick<Track, "landmarks" | "times">): Record<"raised" | "guessed", Float64Array> {
  const mid = (a: number, b: number, axis: 0 | 1) =>
    runningMedian(
      Array.from(times, (_, i) => (landmarks[at(i, a) + axis]! + landmarks[at(i, b) + axis]!) / 2),
      3,
    );
  const hands = midHands({ landmarks, times });
  const handX = runningMedian(hands.x, 3);
  const handY = runningMedian(hands.y, 3);
  const shoulderX = mid(POINT.leftShoulder, POINT.rightShoulder, 0);
  const shoulderY = mid(POINT.leftShoulder, POINT.rightShoulder, 1);
  const seen = runningMedian(
    Array.from(times, (_, i) =>
      Math.max(landmarks[at(i, POINT.leftWrist) + 2]!, landmarks[at(i, POINT.rightWrist) + 2]!),
    ),
    3,
  );
  const guessed = handX.map(
    (x, i) => (Math.atan2(Math.abs(x - shoulderX[i]!), handY[i]! - shoulderY[i]!) * 180) / Math.PI,
  );
  return { raised: guessed.map((v, i) => (seen[i]! < VISIBLE ? NaN : v)), guessed };
}

function lowest(x: Float64Array, from: number, to: number): number {
  let best = from;
  // From a known one, as the first of a bottom is.
  for (let i = from; i <= to; i++) if (x[i]! < x[best]!) best = i;
  return best;
}

/**
 * Whether a frame has the arms far above those around it, as hands that the network loses on their
 * quick way down do.
 */
function jumps(x: Float64Array, times: Float64Array): (i: number) => boolean {
  const frameMs = (times[times.length - 1]! - times[0]!) / Math.max(1, times.length - 1);
  const half = Math.round(JITTER_MS / Math.max(frameMs, 1));
  return (i) =>
    x[i]! - median(x.slice(Math.max(0, i - half), i + half + 1).filter((v) => !Number.isNaN(v))) >
    LEVEL;
}

/** The arms' highest instant before a frame: back in time for as long as they do not hang again. */
function peakBefore(
  x: Float64Array,
  jumped: (i: number) => boolean,
  times: Float64Array,
  from: number,
): number {
  let best = -1;
  for (let i = from - 1; i >= 0 && (times[from]! - times[i]!) / 1000 < LONGEST; i--) {
    if (x[i]! < HANGING) break;
    if (!Number.isNaN(x[i]!) && (best < 0 || x[i]! > x[best]!) && !jumped(i)) best = i;
  }
  return best;
}

function peakAfter(x: Float64Array, times: Float64Array, to: number, seconds: number): number {
  let best = to;
  for (let i = to; i < x.length && (times[i]! - times[to]!) / 1000 < seconds; i++)
    if (x[i]! > x[best]!) best = i;
  return best;
}
