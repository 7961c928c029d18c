import { median } from "../maths/stats";
import { resample } from "../maths/filter";
import type { GolferFacts, Scene } from "../scene/scene";
import { plantedSpells, type PlantedSpell } from "../track/plantedSpells";
import { leadFoot, type SideName } from "../track/sides";
import { EDGES, type FootPath, type Track } from "../track/track";

/** A foot's displacement from its place in one spell on the ground; cm, on the track's own times (ms). NaN = not followed. */
export interface FootFollow {
  times: Float64Array;
  t: Float64Array;
  u: Float64Array;
  /** How badly the likeness fits, 0–255. */
  residual: Float64Array;
}

export interface FootSpell {
  fromMs: number;
  toMs: number;
  /** Places along T, cm. */
  ankleT: number;
  heelT: number;
  toeT: number;
  ankleU: number;
  whole: FootFollow;
  heel: FootFollow;
  toe: FootFollow;
  /** Heel and ankle from the top of each swing on, against their place before it. */
  rises: FootFollow[];
  /** Heel and toe of the standing foot in the picture, px. */
  px: { heel: [number, number]; toe: [number, number] };
  /** The step that ended in this spell was followed in the picture all the way. */
  stepFollowed: boolean;
}

/** Where a foot stands, spell by spell, and how it leaves and lands. */
export interface FootMotion {
  spells: FootSpell[];
}

type PlaceKey = "ankleT" | "heelT" | "toeT" | "ankleU";

/** Places of a foot on a uniform clock, cm: constant in a spell, straight between spells. */
export function placeOnClock(foot: FootMotion, startMs: number, dt: number, n: number): Record<PlaceKey, Float64Array> {
  const times = Float64Array.from(foot.spells.flatMap((s) => [s.fromMs, s.toMs]));
  const on = (key: PlaceKey) => resample(times, foot.spells.flatMap((s) => [s[key], s[key]]), startMs, dt * 1000, n);
  return { ankleT: on("ankleT"), heelT: on("heelT"), toeT: on("toeT"), ankleU: on("ankleU") };
}

/** Reads one foot's spells: places from the network's points, steps between them from the followed shoe where it was followed through. */
export function footMotion(track: Track, scene: Scene, golfer: GolferFacts, side: SideName): FootMotion {
  const lead = leadFoot(golfer.hand);
  const foot = side === "lead" ? lead : lead === "left" ? "right" : "left";
  const k = scene.scale.cmPerPx;
  const toT = (x: number) => (x - track.video.width / 2) * k * scene.targetSign;
  const spells: FootSpell[] = plantedSpells(track, foot).map((s) => {
    const own = (part: FootPath["part"]) => track.footPaths.filter((q) => q.foot === foot && q.part === part && q.plantedFrom === s.from && q.plantedTo === s.to);
    const inCm = (p: FootPath): FootFollow => ({
      times: track.times.slice(p.from, p.from + p.dx.length),
      t: scaled(p.dx, k * scene.targetSign),
      u: scaled(p.dy, -k),
      residual: scaled(p.residual, 1),
    });
    const follow = (part: FootPath["part"]): FootFollow => own(part).map(inCm)[0] ?? { times: new Float64Array(0), t: new Float64Array(0), u: new Float64Array(0), residual: new Float64Array(0) };
    return {
      fromMs: track.times[s.from]!,
      toMs: track.times[s.to]!,
      ankleT: toT(s.ankle[0]),
      heelT: toT(s.heel[0]),
      toeT: toT(s.toe[0]),
      ankleU: (scene.groundY - s.ankle[1]) * k,
      whole: follow("whole"),
      heel: follow("heel"),
      toe: follow("toe"),
      rises: own("rise").map((p) => inCm(withoutSlips(p))),
      px: { heel: s.heel, toe: s.toe },
      stepFollowed: false,
    };
  });
  const edges = spells.map((s) => edgesOf(track, foot, s, toT));
  chainPlaces(spells, edges);
  return { spells };
}

/** A match that lies on whole pixels both ways found no better place between them: it has slipped onto something else. */
function withoutSlips(p: FootPath): FootPath {
  const slipped = p.dx.map((v, i) => (v !== 0 && Number.isInteger(v) && Number.isInteger(p.dy[i]!) ? 1 : 0));
  // One alone may be a club passing before the shoe.
  const lost = (i: number) => slipped[i] && (slipped[i - 1] || slipped[i + 1]);
  return { ...p, dx: p.dx.map((v, i) => (lost(i) ? NaN : v)), dy: p.dy.map((v, i) => (lost(i) ? NaN : v)) };
}

function scaled(values: Float32Array, by: number): Float64Array {
  const out = new Float64Array(values.length);
  for (let i = 0; i < values.length; i++) out[i] = values[i]! * by;
  return out;
}

/** Left and right edge of a shoe's picture while it stands, along T, cm; NaN where they were not seen. */
type Edges = [number, number];

function edgesOf(track: Track, foot: "left" | "right", s: FootSpell, toT: (x: number) => number): Edges {
  const column = (side: 0 | 1) => {
    const seen: number[] = [];
    track.times.forEach((t, i) => {
      const x = track.footEdges[i * EDGES + (foot === "left" ? 0 : 3) + side]!;
      if (t >= s.fromMs && t <= s.toMs && !Number.isNaN(x)) seen.push(toT(x));
    });
    return seen.length >= FEWEST ? median(seen) : NaN;
  };
  return [column(0), column(1)];
}

/** Fewer frames than this do not tell an edge or a step. */
const FEWEST = 3;
/** Edges that moved alike to this are those of a shoe that stepped without turning, cm. */
const ALIKE = 1;
/** Edges or likenesses that tell of a step this much longer or shorter than the network's have lost the shoe, cm. */
const BELIEVED = { edges: 8, likeness: 4 };

/**
 * The network's place of a foot is biased by the pose it is seen in, so two places differ by a centimetre or more too much
 * or too little. The edges of the shoe's picture in both places tell the step to half a centimetre (55 steps of double steps:
 * 0.4 rms where the network's own were 1.5; docs/accuracy.md). Where an edge was hidden, the likenesses of both spells are often
 * followed at once while the shoe is in the air, and their difference is the step.
 */
function chainPlaces(spells: FootSpell[], edges: readonly Edges[]): void {
  for (let i = 1; i < spells.length; i++) {
    const a = spells[i - 1]!;
    const b = spells[i]!;
    const seen = b.ankleT - a.ankleT;
    const [left, right] = [edges[i]![0] - edges[i - 1]![0], edges[i]![1] - edges[i - 1]![1]];
    const byEdges = Number.isNaN(left) ? right : Number.isNaN(right) ? left : (left + right) / 2;
    const byLikeness = likenessStep(a, b);
    const step = Math.abs(byEdges - seen) < BELIEVED.edges ? byEdges : Math.abs(byLikeness - seen) < BELIEVED.likeness ? byLikeness : NaN;
    if (Number.isNaN(step)) continue;
    const straight = step === byEdges && Math.abs(left - right) < ALIKE;
    b.heelT = straight ? a.heelT + step : b.heelT + step - seen;
    b.toeT = straight ? a.toeT + step : b.toeT + step - seen;
    b.ankleT = a.ankleT + step;
    b.stepFollowed = true;
  }
}

/** The step by both places' likenesses while the shoe is between them, cm; NaN where they were not followed together. */
function likenessStep(a: FootSpell, b: FootSpell): number {
  const steps: number[] = [];
  b.whole.times.forEach((t, j) => {
    const k = a.whole.times.indexOf(t);
    if (k >= 0 && t > a.toMs && t < b.fromMs && !Number.isNaN(a.whole.t[k]!) && !Number.isNaN(b.whole.t[j]!)) steps.push(a.whole.t[k]! - b.whole.t[j]!);
  });
  return steps.length >= FEWEST ? median(steps) : NaN;
}
