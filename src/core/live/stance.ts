import { mean } from "../maths";
import { statureInPx, midHands, at, POINT, POINTS, PRESENT, STRIDE, filled } from "../track";

/**
 * One look at a running camera's picture: when (ms), the body points (33 × x px, y px, visibility,
 * σ px), how surely somebody is there.
 */
export interface Look {
  t: number;
  points: Float32Array;
  presence: number;
}

/** What the last looks tell of how the golfer stands. */
export interface Stance {
  /** Somebody is there. */
  present: boolean;
  /** They have stayed in their place: hips and feet. */
  settled: boolean;
  /** Nothing of them moves. */
  still: boolean;
  /** Their hands move against their shoulders as in a swing. */
  moving: boolean;
  /** Both hands are over the head. */
  armsUp: boolean;
}

export const ABSENT: Stance = {
  present: false,
  settled: false,
  still: false,
  moving: false,
  armsUp: false,
};

/**
 * Motion is told from the looks of this long, ms (docs/movement.md, address: a still spell of 300
 * ms), of which there must be a few: a slow device's reach farther back, as far as this.
 */
const SPELL_MS = 400;
const LEAST_LOOKS = 4;
const LONGEST_SPELL_MS = 1000;
/**
 * A place is kept when hips and ankles wander no farther than this in `PLACE_MS`, share of stature:
 * half a step.
 */
const PLACE_MS = 700;
const WANDER = 0.15;
/**
 * Slower than this stands still, shares of stature a second: the network's own noise over a spell
 * is a third of it (as `track/stillSpell`).
 */
const STILL = 0.04;
/**
 * Hands faster than this swing: twice the speed at which hands start (docs/movement.md, hand
 * start), share of stature a second.
 */
const SWINGS = 0.17;

/**
 * How the golfer stands, by the looks of the last second.
 *
 * @param looks in order of time
 */
export function stanceOf(looks: readonly Look[]): Stance {
  const now = looks.at(-1);
  if (!now || now.presence < PRESENT) return ABSENT;
  const since = (ms: number) => looks.filter((l) => l.t >= now.t - ms && l.presence >= PRESENT);
  const quick = since(SPELL_MS);
  const spell = quick.length < LEAST_LOOKS ? since(LONGEST_SPELL_MS).slice(-LEAST_LOOKS) : quick;
  const place = since(PLACE_MS);
  const there = asTrack(place);
  const tall = statureInPx(there);
  const up = (p: number) => now.points[p * STRIDE + 1]!;
  const armsUp =
    Math.max(up(POINT.leftWrist), up(POINT.rightWrist)) <
    Math.min(up(POINT.nose), up(POINT.leftEar), up(POINT.rightEar));
  const enough = spell.length >= LEAST_LOOKS && now.t - spell[0]!.t > SPELL_MS / 2;
  if (!enough) return { ...ABSENT, present: true, armsUp };
  const track = asTrack(spell);
  const hands = midHands(track);
  const mid = (a: number, b: number, axis: 0 | 1) =>
    Float64Array.from(
      spell,
      (_, i) => (track.landmarks[at(i, a) + axis]! + track.landmarks[at(i, b) + axis]!) / 2,
    );
  const speed = (x: ArrayLike<number>, y: ArrayLike<number>) =>
    Math.hypot(slope(track.times, x), slope(track.times, y)) / tall;
  const hips = [
    mid(POINT.leftHip, POINT.rightHip, 0),
    mid(POINT.leftHip, POINT.rightHip, 1),
  ] as const;
  const shoulders = [
    mid(POINT.leftShoulder, POINT.rightShoulder, 0),
    mid(POINT.leftShoulder, POINT.rightShoulder, 1),
  ] as const;
  const parts = [
    [hands.x, hands.y],
    hips,
    shoulders,
    ...[POINT.leftAnkle, POINT.rightAnkle].map((p) => [mid(p, p, 0), mid(p, p, 1)] as const),
  ] as const;
  const against = (x: ArrayLike<number>, s: Float64Array) => s.map((v, i) => x[i]! - v);
  const wandered = [POINT.leftHip, POINT.leftAnkle, POINT.rightAnkle].some(
    (p) => spread(place.map((_, i) => there.landmarks[at(i, p)]!)) > WANDER * tall,
  );
  return {
    present: true,
    settled: now.t - place[0]!.t > PLACE_MS * 0.7 && !wandered,
    still: parts.every(([x, y]) => speed(x, y) < STILL),
    moving: speed(against(hands.x, shoulders[0]), against(hands.y, shoulders[1])) > SWINGS,
    armsUp,
  };
}

/** Whether the hands are well away from hanging: nearer to level than to straight down. */
export function armsRaised({ t, points }: Look): boolean {
  const hands = midHands({ landmarks: points, times: Float64Array.of(t) });
  const shoulders = (axis: 0 | 1) =>
    (points[POINT.leftShoulder * STRIDE + axis]! + points[POINT.rightShoulder * STRIDE + axis]!) /
    2;
  return Math.abs(hands.x[0]! - shoulders(0)) > hands.y[0]! - shoulders(1);
}

/** Looks as the beginnings of a track. */
export function asTrack(looks: readonly Look[]): {
  times: Float64Array;
  landmarks: Float32Array;
  presence: Float32Array;
} {
  const landmarks = new Float32Array(looks.length * POINTS * STRIDE);
  looks.forEach((l, i) => landmarks.set(l.points, at(i, 0)));
  return {
    times: Float64Array.from(looks, (l) => l.t),
    landmarks,
    presence: Float32Array.from(looks, (l) => l.presence),
  };
}

/**
 * Looks as frames of an even clock of 60 a second, those in between filled: what follows quick arms
 * counts in frames.
 */
export function evenly(looks: readonly Look[]): {
  times: Float64Array;
  landmarks: Float32Array;
  presence: Float32Array;
} {
  const start = looks[0]!.t;
  const frame = (l: Look) => Math.round((l.t - start) / CLOCK_MS);
  const own = looks.filter((l, i) => i === looks.length - 1 || frame(looks[i + 1]!) > frame(l));
  const part = asTrack(own);
  const times = Float64Array.from(
    { length: frame(own.at(-1)) + 1 },
    (_, i) => start + i * CLOCK_MS,
  );
  const nothing = new Float32Array();
  return {
    times,
    ...filled({ times }, own.map(frame), { ...part, outline: nothing, footEdges: nothing }),
  };
}

const CLOCK_MS = 1000 / 60;

/** Slope of the straight line through values, a second. */
function slope(times: Float64Array, x: ArrayLike<number>): number {
  const n = times.length;
  const [mt, mx] = [mean(times), mean(x)];
  let [top, bottom] = [0, 0];
  for (let i = 0; i < n; i++) {
    top += (times[i]! - mt) * (x[i]! - mx);
    bottom += (times[i]! - mt) ** 2;
  }
  return (1000 * top) / bottom;
}

const spread = (v: readonly number[]) => Math.max(...v) - Math.min(...v);
