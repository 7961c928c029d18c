import { seeded, type Seeded } from "../maths";
import type { FootMotion, Motion } from "../motion";
import type { Scene } from "../scene";
import { nearest } from "../reps";
import { NOISE_FIT, NOISE_SPLIT, NOISE_TIMES } from "./fitted";

/**
 * Copies of a motion as it might as well have been seen: every channel with an error drawn from the
 * fitted noise model, the scale with its own. Running the core on many such copies gives each event
 * and measure its spread.
 *
 * @param still the spell in which errors are taken to be zero (they cancel in displacements), ms
 * @param copies which of them, by number: each is the same whichever others are drawn
 */
export function* perturbed(
  motion: Motion,
  scene: Scene,
  still: { fromMs: number; toMs: number },
  [from, before]: CopiesPart,
  seed: number,
): Generator<Motion> {
  const { n, dt } = motion;
  const a = nearest(motion, still.fromMs);
  const b = nearest(motion, still.toMs);
  const drift = (random: Seeded, sd: number) => {
    const e = new Float64Array(n);
    NOISE_TIMES.forEach((tau, k) =>
      addCorrelated(e, random, dt, tau, sd * Math.sqrt(NOISE_SPLIT[k]!)),
    );
    let zero = 0;
    for (let i = a; i <= b; i++) zero += e[i]! / (b - a + 1);
    for (let i = 0; i < n; i++) {
      // Nothing has moved yet in the still spell: the error grows over the 0.3 s after it.
      const grown = Math.min(Math.max(((i - b) * dt) / 0.3, 0), 1);
      e[i] = (e[i]! - zero) * grown;
    }
    return e;
  };
  const path = handsWay(motion, b);
  const none = new Float64Array(n);
  for (let k = from; k < before; k++) {
    const random = seeded(scattered(seed, k));
    const scale = 1 + (random.normal() * scene.scale.u) / scene.scale.cmPerPx;
    const put = (x: Float64Array, error: Float64Array = none) => {
      const out = new Float64Array(n);
      for (let i = 0; i < n; i++) out[i] = (x[i]! + error[i]!) * scale;
      return out;
    };
    const handsT = alongPath(path, random, NOISE_FIT.hands);
    const handsU = alongPath(path, random, NOISE_FIT.hands);
    addCorrelated(handsT, random, dt, 0.06, NOISE_FIT.handsStill);
    addCorrelated(handsU, random, dt, 0.06, NOISE_FIT.handsStill);
    yield {
      ...motion,
      hipT: put(motion.hipT, drift(random, NOISE_FIT.hip)),
      headT: put(motion.headT, drift(random, NOISE_FIT.head)),
      shoulderT: put(motion.shoulderT, alongPath(path, random, NOISE_FIT.shoulder)),
      comT: put(motion.comT, drift(random, NOISE_FIT.com)),
      comU: put(motion.comU),
      handsT: put(motion.handsT, handsT),
      handsU: put(motion.handsU, handsU),
      hipU: put(motion.hipU),
      headU: put(motion.headU),
      shoulderU: put(motion.shoulderU, alongPath(path, random, NOISE_FIT.shoulder)),
      closeHandsT: put(motion.closeHandsT),
      closeHandsU: put(motion.closeHandsU),
      feet: {
        lead: perturbedFoot(motion.feet.lead, random, scale),
        trail: perturbedFoot(motion.feet.trail, random, scale),
      },
    };
  }
}

/** The first of some numbered copies, and the one after the last. */
export type CopiesPart = readonly [from: number, before: number];

/**
 * Seeds of neighbouring numbers far apart, by the multipliers of a usual integer hash
 * (MurmurHash3's last step).
 */
const scattered = (seed: number, k: number): number => {
  let h = Math.imul(seed, 0x9e3779b1) ^ k;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
};

/** Way that the hands have gone since sample `from`, cm. */
function handsWay(m: Motion, from: number): Float64Array {
  const path = new Float64Array(m.n);
  for (let i = from + 1; i < m.n; i++)
    path[i] =
      path[i - 1]! + Math.hypot(m.handsT[i]! - m.handsT[i - 1]!, m.handsU[i]! - m.handsU[i - 1]!);
  return path;
}

/** Way of the hands over which the error of hands and shoulders changes, cm. */
const HANDS_PATH = 25;

/**
 * The network's error of hands and shoulders belongs to the pose: it changes as the hands travel
 * and rests while they rest, so that it never looks like a start of its own. Smooth noise over the
 * hands' own path, growing from nothing.
 */
function alongPath(path: Float64Array, random: Seeded, sd: number): Float64Array {
  const long = Math.ceil(path[path.length - 1]!) + 2;
  const noise = new Float64Array(long);
  addCorrelated(noise, random, 1, HANDS_PATH, sd);
  const out = new Float64Array(path.length);
  for (let i = 0; i < path.length; i++) {
    const s = path[i]!;
    const k = Math.floor(s);
    out[i] =
      (noise[k]! + (noise[Math.min(k + 1, long - 1)]! - noise[k]!) * (s - k)) *
      Math.min(s / HANDS_PATH, 1);
  }
  return out;
}

/**
 * A foot with its places moved as one, each step a little longer or shorter, each leaving and
 * landing a little earlier or later.
 */
function perturbedFoot(foot: FootMotion, random: Seeded, scale: number): FootMotion {
  let shift = random.normal() * NOISE_FIT.footPlace;
  const spells = foot.spells.map((s, i) => {
    if (i > 0)
      shift += random.normal() * (s.stepFollowed ? NOISE_FIT.footStep : NOISE_FIT.footPlace);
    const late = random.normal() * NOISE_FIT.footEventMs;
    const follow = (f: typeof s.whole) => ({ ...f, times: f.times.map((t) => t + late) });
    return {
      ...s,
      ankleT: (s.ankleT + shift) * scale,
      heelT: (s.heelT + shift) * scale,
      toeT: (s.toeT + shift) * scale,
      whole: follow(s.whole),
      heel: follow(s.heel),
      toe: follow(s.toe),
      rises: s.rises.map(follow),
    };
  });
  return { ...foot, spells };
}

/**
 * Adds smooth noise of correlation time `tau` (s) and standard deviation `sd`: normal knots joined
 * by Catmull–Rom pieces.
 */
function addCorrelated(
  out: Float64Array,
  random: Seeded,
  dt: number,
  tau: number,
  sd: number,
): void {
  const step = tau * 1.4;
  const phase = random.uniform();
  const knots = Float64Array.from(
    { length: Math.ceil((out.length * dt) / step) + 5 },
    () => random.normal() * sd * CATMULL_GAIN,
  );
  for (let i = 0; i < out.length; i++) {
    const x = (i * dt) / step + phase;
    const k = Math.floor(x);
    const s = x - k;
    const [p0, p1, p2, p3] = [knots[k]!, knots[k + 1]!, knots[k + 2]!, knots[k + 3]!];
    out[i]! +=
      p1 +
      0.5 * s * (p2 - p0 + s * (2 * p0 - 5 * p1 + 4 * p2 - p3 + s * (3 * (p1 - p2) + p3 - p0)));
  }
}

/**
 * Catmull–Rom pieces between independent knots have on average 0.81 of the knots' variance: made up
 * for.
 */
const CATMULL_GAIN = 1 / Math.sqrt(0.814);
