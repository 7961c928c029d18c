import { seeded, type Seeded } from "../../src/core/maths/seeded";
import { at, OUTLINE, POINT, type Track } from "../../src/core/track/track";
import { NOISE_FIT, NOISE_SPLIT, NOISE_TIMES } from "../../src/core/uncertainty/fitted";

/**
 * Errors of single joints beyond their pair's, cm: 2 to 3 for a hip or knee (docs/decisions/26),
 * and what the network's arms are worth.
 */
const SINGLE = { knee: 2, elbow: 3 };
/** An edge of a shoe's picture, cm: steps by them are within 0.4 (docs/decisions/09). */
const SEEN_EDGE = 0.3;
/** The outline's usual widths, cm. */
const WIDTH = { hips: 34, head: 17, trunk: 31 };
const PAIRS: Record<string, readonly number[]> = {
  hip: [POINT.leftHip, POINT.rightHip],
  head: [POINT.leftEar, POINT.rightEar, POINT.nose],
  shoulder: [POINT.leftShoulder, POINT.rightShoulder],
  hands: [POINT.leftWrist, POINT.rightWrist, POINT.leftIndex, POINT.rightIndex],
};

/**
 * A track as the network might have made it of a movement: an exact one with errors drawn from the
 * fitted noise: hips, head and shoulders drift as the pose changes, hands and shoulders err along
 * the hands' way, every foot's place is off by a little, and what was followed in the picture is
 * off by less.
 *
 * @param exact a track of exact joints; @param cmPerPx of its picture
 */
export function seenTrack(
  exact: Track,
  cmPerPx: number,
  stillUntilMs: number,
  seed: number,
): Track {
  const random = seeded(seed);
  const n = exact.times.length;
  const dt = (exact.times[n - 1]! - exact.times[0]!) / 1000 / (n - 1);
  const landmarks = exact.landmarks.slice();
  const px = (cm: number) => cm / cmPerPx;
  const grown = (i: number) => Math.min(Math.max((exact.times[i]! - stillUntilMs) / 300, 0), 1);
  const drift = (sd: number) => {
    const parts = NOISE_TIMES.map((tau, k) =>
      ornstein(random, n, dt, tau, sd * Math.sqrt(NOISE_SPLIT[k]!)),
    );
    return Float64Array.from(
      { length: n },
      (_, i) => (parts[0]![i]! + parts[1]![i]!) * grown(i) + random.normal() * 0.08,
    );
  };
  const hands = midOf(exact, [POINT.leftWrist, POINT.rightWrist]);
  const way = new Float64Array(n);
  for (let i = 1; i < n; i++)
    way[i] =
      way[i - 1]! +
      Math.hypot(hands.x[i]! - hands.x[i - 1]!, hands.y[i]! - hands.y[i - 1]!) * cmPerPx;
  const onWay = (sd: number) => {
    const path = ornstein(random, Math.ceil(way[n - 1]!) + 2, 1, 25, sd);
    return Float64Array.from(
      { length: n },
      (_, i) => path[Math.floor(way[i]!)]! * Math.min(way[i]! / 25, 1) + random.normal() * 0.1,
    );
  };
  const put = (points: readonly number[], ex: Float64Array, ey: Float64Array) => {
    for (let i = 0; i < n; i++)
      for (const p of points) {
        landmarks[at(i, p)]! += px(ex[i]!);
        landmarks[at(i, p) + 1]! += px(ey[i]!);
      }
  };
  const hip = drift(NOISE_FIT.hip);
  const head = drift(NOISE_FIT.head);
  put(PAIRS.hip!, hip, drift(NOISE_FIT.hip));
  put(PAIRS.head!, head, drift(NOISE_FIT.head));
  put(PAIRS.shoulder!, onWay(NOISE_FIT.shoulder), onWay(NOISE_FIT.shoulder));
  put(PAIRS.hands!, onWay(NOISE_FIT.hands), onWay(NOISE_FIT.hands));
  for (const p of [POINT.leftKnee, POINT.rightKnee])
    put([p], drift(SINGLE.knee), drift(SINGLE.knee));
  for (const p of [POINT.leftElbow, POINT.rightElbow])
    put([p], onWay(SINGLE.elbow), onWay(SINGLE.elbow));
  for (const foot of ["left", "right"] as const) {
    const points = [POINT[`${foot}Ankle`], POINT[`${foot}Heel`], POINT[`${foot}Toe`]];
    const place = Float64Array.from({ length: n }).fill(
      random.normal() * NOISE_FIT.footPlace * 0.7,
    );
    put(
      points,
      place.map((v) => v + random.normal() * 0.1),
      new Float64Array(n).map(() => random.normal() * 0.1),
    );
  }
  const outline = new Float32Array(n * OUTLINE);
  const hips = midOf(exact, PAIRS.hip!);
  const ears = midOf(exact, [POINT.leftEar, POINT.rightEar]);
  const shoulders = midOf(exact, PAIRS.shoulder!);
  for (let i = 0; i < n; i++) {
    const edges = (k: number, middle: number, width: number) =>
      outline.set([middle - px(width / 2), middle + px(width / 2)], i * OUTLINE + 2 * k);
    edges(0, hips.x[i]! + px(hip[i]!), WIDTH.hips);
    edges(1, ears.x[i]! + px(head[i]!), WIDTH.head);
    edges(2, hips.x[i]! * 0.7 + shoulders.x[i]! * 0.3, WIDTH.trunk);
    edges(3, hips.x[i]! * 0.2 + shoulders.x[i]! * 0.8, WIDTH.trunk);
  }
  const footPaths = exact.footPaths.map((p) => {
    const late = Math.round((random.normal() * NOISE_FIT.footEventMs) / 1000 / dt);
    const shift = (v: Float32Array) =>
      v.map(
        (_, i) => v[Math.min(Math.max(i - late, 0), v.length - 1)]! + random.normal() * px(0.06),
      );
    return { ...p, dx: shift(p.dx), dy: shift(p.dy) };
  });
  const footEdges = exact.footEdges.map((v) => v + random.normal() * px(SEEN_EDGE));
  return { ...exact, landmarks, outline, footEdges, footPaths };
}

function midOf(
  { landmarks, times }: Track,
  points: readonly number[],
): { x: Float64Array; y: Float64Array } {
  const along = (axis: 0 | 1) =>
    Float64Array.from(
      times,
      (_, i) => points.reduce((s, p) => s + landmarks[at(i, p) + axis]!, 0) / points.length,
    );
  return { x: along(0), y: along(1) };
}

/** An Ornstein–Uhlenbeck path: correlation time `tau`, standard deviation `sd`. */
function ornstein(random: Seeded, n: number, dt: number, tau: number, sd: number): Float64Array {
  const keep = Math.exp(-dt / tau);
  const out = new Float64Array(n);
  out[0] = random.normal() * sd;
  for (let i = 1; i < n; i++)
    out[i] = keep * out[i - 1]! + Math.sqrt(1 - keep * keep) * sd * random.normal();
  return out;
}
