import { median, runningMedian, likeliestWay } from "../maths";
import type { Scene } from "../scene";
import { at, edgeAt, frameMs, POINT, type Track } from "../track";
import type { FootMotion, FootSpell } from "./footMotion";
import { SHOE_FIT, shoeDepth, shoeEdges } from "./shoe";

/**
 * Spread of an edge of the shoe's picture, and of the network's ankle in a shoe that turns, cm
 * (tools/fit/shoe.ts); as a share, of how much a foot's length is foreshortened when the lens's
 * height is a guess.
 */
const EDGE_SD = 0.8;
const ANKLE_SD = 0.77;
/** A toe is lifted as it turns: spread of that, cm. */
const LIFT_SD = 1.5;
const FORESHORTENED_SD = { told: 0.05, guessed: 0.3 } as const;
/**
 * A picture that no direction explains within three standard deviations is not that of a shoe that
 * stands on its heel.
 */
const MISFIT = 9;
/**
 * How fast a foot turns, one standard deviation, degrees a second: a quarter turn takes three
 * tenths.
 */
const RATE_SD = 300;
/** A golfer at rest does not stand with a foot turned farther out or in than this, degrees. */
const AT_REST = 45;
/** The first direction is that of the foot's first pictures at rest, ms. */
const REST_MS = 250;

/**
 * No foot turns and is back within this, s: what is seen for so short is a club or a hand that
 * passes before the shoe. And a turn that was out of sight for longer may have gone on there.
 */
const UNSEEN_S = 0.1;
/**
 * A foot points at most a quarter turn aside; directions are told apart by steps of this, degrees.
 */
const QUARTER = 90;
const STEP = 2;
const DIRECTIONS = (2 * QUARTER) / STEP + 1;
const degrees = (d: number): number => d * STEP - QUARTER;

/**
 * Direction of a foot on the ground against its first one, degrees, + toward the target, from the
 * edges of the shoe's picture. As a shoe turns, toe and heel move the edges of its picture to
 * either side of the ankle, and the lowest edge comes up by the foreshortened change of its depth;
 * the direction is where all of them fit best. (The network's ankle is within a centimetre in a
 * turning foot, its heel and toe are dragged by 5 and 15.) NaN where the edges were not seen.
 *
 * @param inward where the other foot is in the picture: 1 to the right, −1 to the left
 * @returns one direction a frame
 */
export function footDirection(
  { spells }: FootMotion,
  track: Track,
  foot: "left" | "right",
  inward: 1 | -1,
  scene: Scene,
  statureCm: number,
): Float64Array {
  const n = track.times.length;
  const out = new Float64Array(n).fill(NaN);
  const first = spells[0];
  if (!first) return out;
  const k = scene.scale.cmPerPx;
  const edge = (which: "left" | "right" | "low") =>
    Float64Array.from({ length: n }, (_, i) => track.footEdges[edgeAt(i, foot, which)]!);
  const ankle = runningMedian(
    Array.from(
      { length: n },
      (_, i) => track.landmarks[at(i, foot === "left" ? POINT.leftAnkle : POINT.rightAnkle)]!,
    ),
    2,
  );
  const [left, right] = [edge("left"), edge("right")].map((x) =>
    x.map((v, i) => (v - ankle[i]!) * k),
  ) as [Float64Array, Float64Array];
  const bottom = edge("low");
  const seen = (i: number) =>
    !Number.isNaN(bottom[i]!) && !(Number.isNaN(left[i]!) && Number.isNaN(right[i]!));
  const rest = Array.from({ length: n }, (_, i) => i).filter(
    (i) => track.times[i]! >= first.fromMs && track.times[i]! <= first.fromMs + REST_MS && seen(i),
  );
  if (rest.length < 3) return out;
  const middle = (x: Float64Array) =>
    median(rest.map((i) => x[i]!).filter((v) => !Number.isNaN(v)));

  // The toe is nearer to the lens than the ankle: seen farther out by this much when it points at
  // the lens.
  const outward =
    (SHOE_FIT.toe * (middle(ankle) - track.video.width / 2) * k) / scene.camera.distanceCm;
  const shoe = directions(
    (a) => shoeEdges(SHOE_FIT, a, inward, outward).map((v) => v * statureCm) as [number, number],
  );
  const start = best((d) =>
    Math.abs(degrees(d)) <= AT_REST ? edgesMisfit(middle(left), middle(right), shoe[d]!) : Infinity,
  );
  // What this shoe's edges differ from the usual one's where it rests, they do wherever it points.
  const own = [middle(left) - shoe[start]![0], middle(right) - shoe[start]![1]].map((v) => v || 0);
  for (const edges of shoe) edges.forEach((_, k) => (edges[k as 0 | 1] += own[k]!));
  const [low, sunk] = [middle(bottom), foreshortening(scene, first)];
  const spread = scene.camera.told ? FORESHORTENED_SD.told : FORESHORTENED_SD.guessed;
  // Of each direction: how far the lowest edge comes up, and the square of how sure that is.
  const depths = directions((a) => shoeDepth(SHOE_FIT, a) * statureCm);
  const drops = depths.map((depth) => sunk * (depths[start]! - depth));
  const doubts = drops.map((drop) => LIFT_SD ** 2 + (spread * drop) ** 2);
  // The likeliest way through all pictures: where two directions explain one, those before and
  // after it decide.
  const pictures = Array.from({ length: n }, (_, i) => {
    if (!seen(i)) return null;
    const raised = (low - bottom[i]!) * k;
    return shoe.map(
      (edges, d) =>
        edgesMisfit(left[i]!, right[i]!, edges) + (drops[d]! - raised) ** 2 / doubts[d]!,
    );
  });
  const way = likeliestWay(
    pictures,
    DIRECTIONS,
    ((RATE_SD / STEP) * frameMs(track.times)) / 1000,
    MISFIT,
  );
  for (let i = 0; i < n; i++)
    if (pictures[i] && pictures[i]![way[i]!]! < MISFIT)
      out[i] = (lowest(pictures[i]!, way[i]!) - start) * STEP * scene.targetSign;
  return withoutFlashes(out, track);
}

/**
 * Where a curve through three neighbours is lowest, in steps; the middle one where it is not the
 * least.
 */
function lowest(y: readonly number[], d: number): number {
  const [a, b, c] = [y[d - 1] ?? Infinity, y[d]!, y[d + 1] ?? Infinity];
  return b <= a && b <= c && a + c < Infinity && a + c > 2 * b
    ? d + (a - c) / (2 * (a - 2 * b + c))
    : d;
}

/**
 * Squares of standard deviations by which the edges seen (cm from the ankle, NaN where hidden)
 * differ from a shoe's; the ankle's own error is common to both.
 */
function edgesMisfit(left: number, right: number, [l, r]: readonly [number, number]): number {
  const [a, b] = [left - l, right - r];
  if (Number.isNaN(a) || Number.isNaN(b))
    return (Number.isNaN(a) ? b : a) ** 2 / (EDGE_SD ** 2 + ANKLE_SD ** 2);
  return (
    (b - a) ** 2 / (2 * EDGE_SD ** 2) + ((a + b) / 2) ** 2 / (EDGE_SD ** 2 / 2 + ANKLE_SD ** 2)
  );
}

/** Something of each direction that a foot may have in the picture, radians. */
const directions = <T>(of: (a: number) => T): T[] =>
  Array.from({ length: DIRECTIONS }, (_, d) => of((degrees(d) * Math.PI) / 180));

/** The direction of the smallest misfit. */
function best(misfit: (d: number) => number): number {
  let [least, found] = [Infinity, 0];
  for (let d = 0; d < DIRECTIONS; d++) {
    const m = misfit(d);
    if (m < least) [least, found] = [m, d];
  }
  return found;
}

/**
 * Each direction as the middle one of those seen within a moment of it; NaN where it was hidden for
 * most of that.
 */
function withoutFlashes(direction: Float64Array, track: Track): Float64Array {
  const half = Math.round((UNSEEN_S * 1000) / frameMs(track.times));
  return direction.map((v, i) => {
    const near = direction.subarray(Math.max(0, i - half), i + half + 1);
    const seen = near.filter((d) => !Number.isNaN(d));
    return Number.isNaN(v) || 2 * seen.length < near.length ? NaN : median(seen);
  });
}

/**
 * Change of direction of largest size from `first` on, with its sign, degrees; NaN where the foot
 * was out of sight meanwhile.
 */
export function largestTurn(
  direction: Float64Array,
  from: number,
  to: number,
  dt: number,
  first = lastSeen(direction, from, dt),
): number {
  const unseen = Math.floor(UNSEEN_S / dt);
  let [hidden, most] = [0, 0];
  for (let i = from; i <= to; i++) {
    hidden = Number.isNaN(direction[i]!) ? hidden + 1 : 0;
    if (hidden > unseen) return NaN;
    if (!hidden && Math.abs(direction[i]! - first) > Math.abs(most)) most = direction[i]! - first;
  }
  return Number.isNaN(first) ? NaN : most;
}

/** Direction at a sample, or a moment before it where the foot is just hidden. */
function lastSeen(direction: Float64Array, at: number, dt: number): number {
  for (let i = at; i >= Math.max(0, at - Math.floor(UNSEEN_S / dt)); i--)
    if (!Number.isNaN(direction[i]!)) return direction[i]!;
  return NaN;
}

/** How much of a length that points at the lens is seen as height. */
function foreshortening({ camera: c }: Scene, { heelY }: FootSpell): number {
  return Math.sin(Math.atan((heelY - c.middleY) / c.focalPx) + c.pitch);
}
