import { mean, median, runningMedian } from "../maths/stats";
import type { Scene } from "../scene/scene";
import { at, edgeAt, POINT, type Track } from "../track/track";
import { MOTION_FIT } from "./fitted";
import type { FootMotion, FootSpell } from "./footMotion";

/** Spread of an edge of the shoe's picture, cm; and, as a share, of how much a foot's length is foreshortened when the lens's height is a guess. */
const EDGE_SD = 0.8;
/** A toe is lifted as it turns: spread of that, cm. */
const LIFT_SD = 1.5;
const FORESHORTENED_SD = { told: 0.05, guessed: 0.3 } as const;
/** Share of the way from ankle to toe. */
const FAR_OUT = 0.6;
/** A picture that no direction explains within three standard deviations is not that of a shoe that stands on its heel. */
const MISFIT = 9;
/** The ankle stands before the heel by this share of the way from heel to toe (figure/anthropometry). */
const ANKLE = 0.26;
/** The first direction is that of the foot's first pictures at rest, ms. */
const REST_MS = 250;

/**
 * Direction of a foot on the ground against its first one, degrees, + toward the target, from the edges of the shoe's picture.
 * A toe that turns moves the picture's edge away from the ankle by their distance times the sine of the direction, and the
 * lowest edge up by the foreshortened change of its cosine; the direction is where both fit best. (The network's ankle is within
 * a centimetre in a turning foot, its heel and toe are dragged by 5 and 15.) NaN where the edges were not seen.
 *
 * @returns one direction a frame
 */
export function footDirection({ spells }: FootMotion, track: Track, foot: "left" | "right", scene: Scene, statureCm: number): Float64Array {
  const n = track.times.length;
  const out = new Float64Array(n).fill(NaN);
  const first = spells[0];
  if (!first) return out;
  const k = scene.scale.cmPerPx;
  const edge = (which: "left" | "right" | "low") => Float64Array.from({ length: n }, (_, i) => track.footEdges[edgeAt(i, foot, which)]!);
  const [left, right, bottom] = [edge("left"), edge("right"), edge("low")];
  const reach = MOTION_FIT.toeReach * statureCm;
  const round = MOTION_FIT.toeRound * statureCm;
  const sunk = foreshortening(scene, first);
  const ankle = runningMedian(Array.from({ length: n }, (_, i) => track.landmarks[at(i, foot === "left" ? POINT.leftAnkle : POINT.rightAnkle)]!), 2);
  const byEdges = (i: number) => [(left[i]! - ankle[i]!) * k + round, (right[i]! - ankle[i]!) * k - round] as const;
  // Across the picture from the ankle, cm: the toe's middle by whichever edge it makes.
  const across = Array.from({ length: n }, (_, i) => {
    const [l, r] = byEdges(i);
    // Beside an edge that is hidden the other one is the toe's only far out.
    if (Number.isNaN(l)) return r > FAR_OUT * reach ? r : NaN;
    if (Number.isNaN(r)) return l < -FAR_OUT * reach ? l : NaN;
    return Math.abs(r) > Math.abs(l) ? r : l;
  });
  const rest = Array.from({ length: n }, (_, i) => i).filter((i) => track.times[i]! >= first.fromMs && track.times[i]! <= first.fromMs + REST_MS && !Number.isNaN(across[i]! + bottom[i]!));
  if (rest.length < 3) return out;
  // The toe is nearer to the lens than the ankle: seen farther out by this much, cm, when it points at the lens.
  const outward = (reach * (median(rest.map((i) => ankle[i]!)) - track.video.width / 2) * k) / scene.camera.distanceCm;
  // A shoe that points at the lens is seen to both sides of its toe.
  const middle = median(rest.map((i) => (Number.isNaN(left[i]! + right[i]!) ? across[i]! : mean(byEdges(i))))) - outward;
  const start = Math.asin(Math.max(-1, Math.min(1, middle / reach)));
  const low = median(rest.map((i) => bottom[i]!));
  const spread = scene.camera.told ? FORESHORTENED_SD.told : FORESHORTENED_SD.guessed;
  // Of each direction: where its edge is seen, how far the lowest edge comes up, and the square of how sure that is.
  const radians = Float64Array.from({ length: DIRECTIONS }, (_, d) => ((d - QUARTER) * Math.PI) / 180);
  const sides = radians.map((a) => reach * Math.sin(a) + outward * Math.cos(a));
  const drops = radians.map((a) => (sunk * reach * (Math.cos(start) - Math.cos(a))) / (1 - ANKLE));
  const doubts = drops.map((drop) => LIFT_SD ** 2 + (spread * drop) ** 2);
  for (let i = 0; i < n; i++) {
    if (Number.isNaN(across[i]!) || Number.isNaN(bottom[i]!)) continue;
    const raised = (low - bottom[i]!) * k;
    let best = MISFIT;
    let found = NaN;
    for (let d = 0; d < DIRECTIONS; d++) {
      const aside = (sides[d]! - across[i]!) / EDGE_SD;
      // Most directions are far from the edge that is seen.
      if (aside * aside >= best) continue;
      const off = drops[d]! - raised;
      const misfit = aside * aside + (off * off) / doubts[d]!;
      if (misfit < best) {
        best = misfit;
        found = d - QUARTER;
      }
    }
    if (best < MISFIT) out[i] = (found - (start * 180) / Math.PI) * scene.targetSign;
  }
  return out;
}

/** A turn that was out of sight for longer than this may have gone on there, s. */
const UNSEEN_S = 0.1;

/** Change of direction of largest size against the first sample, with its sign, degrees; NaN where it was out of sight meanwhile. */
export function largestTurn(direction: Float64Array, from: number, to: number, dt: number): number {
  let [unseen, first, most] = [0, NaN, 0];
  for (let i = from; i <= to; i++) {
    unseen = Number.isNaN(direction[i]!) ? unseen + 1 : 0;
    if (unseen * dt > UNSEEN_S) return NaN;
    if (unseen) continue;
    if (Number.isNaN(first)) first = direction[i]!;
    if (Math.abs(direction[i]! - first) > Math.abs(most)) most = direction[i]! - first;
  }
  return Number.isNaN(first) ? NaN : most;
}

/** A foot points at most a quarter turn aside, in whole degrees. */
const QUARTER = 90;
const DIRECTIONS = 2 * QUARTER + 1;

/** How much of a length that points at the lens is seen as height. */
function foreshortening({ camera: c }: Scene, { heelY }: FootSpell): number {
  return Math.sin(Math.atan((heelY - c.middleY) / c.focalPx) + c.pitch);
}
