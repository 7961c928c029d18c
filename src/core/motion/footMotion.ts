import { mean, median, resample, firstWhere } from "../maths";
import type { GolferFacts, Scene } from "../scene";
import {
  plantedSpells,
  type PlantedSpell,
  ownFoot,
  type SideName,
  edgeAt,
  type FootPath,
  type Track,
} from "../track";

/**
 * A foot's displacement from its place in one spell on the ground; cm, on the track's own times
 * (ms). NaN = not followed.
 */
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
  /** Row of the standing heel in the picture, px. */
  heelY: number;
  /**
   * When the lowest edge of the shoe's picture comes to rest in this spell and leaves it, ms;
   * `fromMs` and `toMs` where it was not seen.
   */
  rests: [fromMs: number, toMs: number];
  /** The step that ended in this spell was followed in the picture all the way. */
  stepFollowed: boolean;
}

/** Where a foot stands, spell by spell, and how it leaves and lands. */
export interface FootMotion {
  spells: FootSpell[];
}

/**
 * Places of one foot nearer than this along T are the same one, cm: farther apart, a step lies
 * between them.
 */
const SAME_PLACE = 3;

/** Whether a foot stands in one place in two of its spells. */
export const samePlace = (a: Pick<FootSpell, "ankleT">, b: Pick<FootSpell, "ankleT">): boolean =>
  Math.abs(a.ankleT - b.ankleT) < SAME_PLACE;

type PlaceKey = "ankleT" | "heelT" | "toeT" | "ankleU";

/** Places of a foot on a uniform clock, cm: constant in a spell, straight between spells. */
export function placeOnClock(
  foot: FootMotion,
  startMs: number,
  dt: number,
  n: number,
): Record<PlaceKey, Float64Array> {
  const times = Float64Array.from(foot.spells.flatMap((s) => [s.fromMs, s.toMs]));
  const on = (key: PlaceKey) =>
    resample(
      times,
      foot.spells.flatMap((s) => [s[key], s[key]]),
      startMs,
      dt * 1000,
      n,
    );
  return { ankleT: on("ankleT"), heelT: on("heelT"), toeT: on("toeT"), ankleU: on("ankleU") };
}

/**
 * What comes before and after a part of the motion counts for this long, ms, and one spell beyond.
 */
const ROUND_MS = 1000;

/**
 * A foot's story round a part of the motion: what a rep costs does not grow with the length of the
 * film.
 */
export function footRound(foot: FootMotion, fromMs: number, toMs: number): FootMotion {
  const [from, to] = [fromMs - ROUND_MS, toMs + ROUND_MS];
  const { spells } = foot;
  const first = spells.findIndex((s) => s.toMs >= from);
  if (first < 0) return { spells: spells.slice(-1).map((s) => cutSpell(s, from, to)) };
  const after = spells.findIndex((s) => s.fromMs > to);
  return {
    spells: spells
      .slice(Math.max(0, first - 1), after < 0 ? undefined : after + 1)
      .map((s) => cutSpell(s, from, to)),
  };
}

function cutSpell(s: FootSpell, from: number, to: number): FootSpell {
  const rises = s.rises.map((r) => cutFollow(r, from, to)).filter((r) => r.times.length);
  return {
    ...s,
    whole: cutFollow(s.whole, from, to),
    heel: cutFollow(s.heel, from, to),
    toe: cutFollow(s.toe, from, to),
    rises,
  };
}

function cutFollow(f: FootFollow, from: number, to: number): FootFollow {
  const { times } = f;
  if (!times.length || (times[0]! >= from && times[times.length - 1]! <= to)) return f;
  const [a, b] = [
    firstWhere(times.length, (i) => times[i]! >= from),
    firstWhere(times.length, (i) => times[i]! > to),
  ];
  return {
    times: times.subarray(a, b),
    t: f.t.subarray(a, b),
    u: f.u.subarray(a, b),
    residual: f.residual.subarray(a, b),
  };
}

/**
 * Reads one foot's spells: places from the network's points, steps between them from the followed
 * shoe where it was followed through.
 */
export function footMotion(
  track: Track,
  scene: Scene,
  golfer: GolferFacts,
  side: SideName,
): FootMotion {
  const foot = ownFoot(golfer.hand, side);
  const k = scene.scale.cmPerPx;
  const toT = (x: number) => (x - track.video.width / 2) * k * scene.targetSign;
  const planted = plantedSpells(track, foot);
  const paths = (part: FootPath["part"]) =>
    track.footPaths
      .filter((q) => q.foot === foot && q.part === part)
      .sort((a, b) => a.plantedTo - b.plantedTo);
  const byPart = {
    whole: paths("whole"),
    heel: paths("heel"),
    toe: paths("toe"),
    rise: paths("rise"),
  };
  const spells: FootSpell[] = planted.map((s) => {
    const own = (part: FootPath["part"]) => {
      const ordered = byPart[part];
      const first = firstWhere(ordered.length, (i) => ordered[i]!.plantedTo >= s.from);
      const end = firstWhere(ordered.length, (i) => ordered[i]!.plantedFrom > s.to);
      return ordered.slice(first, end).filter((q) => mostlyIn(q, s));
    };
    const inCm = (p: FootPath): FootFollow => ({
      times: track.times.slice(p.from, p.from + p.dx.length),
      t: scaled(p.dx, k * scene.targetSign),
      u: scaled(p.dy, -k),
      residual: scaled(p.residual, 1),
    });
    const follow = (part: FootPath["part"]): FootFollow => joined(own(part).map(inCm));
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
      heelY: s.heel[1],
      rests: restOf(track, foot, s, k),
      stepFollowed: false,
    };
  });
  chainPlaces(spells);
  placeByEdges(
    spells,
    planted.map((s) => edgesOf(track, foot, s, toT)),
  );
  return { spells };
}

/**
 * A shoe rests while its picture's lowest edge is this near to where it rests, cm (the height that
 * tells a foot from the ground).
 */
const RESTS = 1.5;
/**
 * How far before (after) a spell's end its rest may begin (end), and for how long the edge may be
 * hidden meanwhile, ms.
 */
const SOONER_MS = 500;
const HIDDEN_MS = 70;

function restOf(
  track: Track,
  foot: "left" | "right",
  { from, to }: PlantedSpell,
  cmPerPx: number,
): [number, number] {
  const { times } = track;
  const low = (i: number) => track.footEdges[edgeAt(i, foot, "low")]! * cmPerPx;
  const inside = Array.from({ length: to - from + 1 }, (_, k) => from + k).filter(
    (i) => !Number.isNaN(low(i)),
  );
  if (inside.length < FEWEST) return [times[from]!, times[to]!];
  const rest = median(inside.map(low));
  const until = (way: 1 | -1) => {
    const own = times[way === 1 ? to : from]!;
    let last = own;
    // From the spell's far end on, through the pictures beyond its own end.
    for (
      let i = way === 1 ? inside[0]! : inside[inside.length - 1]!;
      i >= 0 && i < times.length && (times[i]! - own) * way < SOONER_MS;
      i += way
    ) {
      if (Math.abs(low(i) - rest) < RESTS) last = times[i]!;
      else if ((times[i]! - last) * way > HIDDEN_MS && (times[i]! - own) * way > 0) break;
    }
    return last;
  };
  return [until(-1), until(1)];
}

/**
 * Whether a foot was followed from this spell: a long film is followed in segments, each of which
 * knows a part of the spell.
 */
function mostlyIn({ plantedFrom, plantedTo }: FootPath, { from, to }: PlantedSpell): boolean {
  return (
    2 * (Math.min(plantedTo, to) - Math.max(plantedFrom, from) + 1) > plantedTo - plantedFrom + 1
  );
}

/** Paths of a shoe that stands in one place all the while, one behind the other. */
function joined(paths: FootFollow[]): FootFollow {
  if (paths.length === 1) return paths[0]!;
  const inOrder = paths.sort((a, b) => a.times[0]! - b.times[0]!);
  const all = (key: keyof FootFollow) => Float64Array.from(inOrder.flatMap((p) => [...p[key]]));
  return { times: all("times"), t: all("t"), u: all("u"), residual: all("residual") };
}

/**
 * A match that lies on whole pixels both ways found no better place between them: it has slipped
 * onto something else.
 */
function withoutSlips(p: FootPath): FootPath {
  const slipped = p.dx.map((v, i) =>
    v !== 0 && Number.isInteger(v) && Number.isInteger(p.dy[i]!) ? 1 : 0,
  );
  // One alone may be a club passing before the shoe.
  const lost = (i: number) => slipped[i] && (slipped[i - 1] || slipped[i + 1]);
  return {
    ...p,
    dx: p.dx.map((v, i) => (lost(i) ? NaN : v)),
    dy: p.dy.map((v, i) => (lost(i) ? NaN : v)),
  };
}

function scaled(values: Float32Array, by: number): Float64Array {
  const out = new Float64Array(values.length);
  for (let i = 0; i < values.length; i++) out[i] = values[i]! * by;
  return out;
}

/**
 * Left and right edge of a shoe's picture while it stands, along T, cm; NaN where it was not seen.
 */
type Edges = readonly [left: number, right: number];

function edgesOf(
  track: Track,
  foot: "left" | "right",
  { from, to }: PlantedSpell,
  toT: (x: number) => number,
): Edges {
  const place = (edge: "left" | "right") => {
    const seen = Array.from({ length: to - from + 1 }, (_, k) =>
      toT(track.footEdges[edgeAt(from + k, foot, edge)]!),
    ).filter((x) => !Number.isNaN(x));
    return seen.length >= FEWEST ? median(seen) : NaN;
  };
  return [place("left"), place("right")];
}

/** Fewer frames than this do not tell an edge or a step. */
const FEWEST = 3;
/** Pictures of a shoe as wide as each other to this are of one that points the same way, cm. */
const ALIKE = 1.5;
/**
 * Edges or likenesses that tell another story than the network by more than this have lost the
 * shoe, cm.
 */
const BELIEVED = { edges: 6, likeness: 4 };

/**
 * The network's place of a foot is biased by the pose it is seen in: from one place to another by
 * 1.5 cm rms and up to 4. The edges of the shoe's picture are not (0.4 cm; docs/accuracy.md), but
 * say nothing of heel and toe. So a place is where the edges are, and how far the network's points
 * lie from them is taken from all places where the shoe points the same way.
 */
function placeByEdges(spells: FootSpell[], edges: readonly Edges[]): void {
  const points = ["ankleT", "heelT", "toeT"] as const;
  const found = spells.map((s) => points.map((p) => s[p]));
  const off = (i: number, side: 0 | 1, k: number) => found[i]![k]! - edges[i]![side];
  const usual = ([0, 1] as const).map((side) =>
    median(spells.map((_, i) => off(i, side, 0)).filter((v) => !Number.isNaN(v))),
  );
  // An edge far from where it usually is belongs to feet that touch.
  const good = spells.map((_, i) =>
    ([0, 1] as const).filter((side) => Math.abs(off(i, side, 0) - usual[side]!) < BELIEVED.edges),
  );
  const wide = (i: number) => (good[i]!.length === 2 ? Math.abs(edges[i]![0] - edges[i]![1]) : NaN);
  const turned = (i: number, j: number) => Math.abs(wide(i) - wide(j)) >= ALIKE;
  spells.forEach((s, i) => {
    if (!good[i]!.length) return;
    points.forEach((p, k) => {
      const places = good[i]!.map((side) => {
        const like = spells
          .map((_, j) => j)
          .filter((j) => good[j]!.includes(side) && !turned(i, j));
        const weight = (j: number) => spells[j]!.toMs - spells[j]!.fromMs;
        return (
          edges[i]![side] +
          like.reduce((sum, j) => sum + off(j, side, k) * weight(j), 0) /
            like.reduce((sum, j) => sum + weight(j), 0)
        );
      });
      s[p] = mean(places);
    });
    s.stepFollowed = true;
  });
}

/**
 * While the shoe is in the air the likenesses of both spells are often followed at once: their
 * difference is the step, to a millimetre or two, and the later place is set by it.
 */
function chainPlaces(spells: FootSpell[]): void {
  for (let i = 1; i < spells.length; i++) {
    const [a, b] = [spells[i - 1]!, spells[i]!];
    const change = likenessStep(a, b) - (b.ankleT - a.ankleT);
    // A likeness that slipped onto the ground or the other shoe tells another story than the
    // network: then the network's is kept.
    if (!(Math.abs(change) < BELIEVED.likeness)) continue;
    b.ankleT += change;
    b.heelT += change;
    b.toeT += change;
    b.stepFollowed = true;
  }
}

/**
 * The step by both places' likenesses while the shoe is between them, cm; NaN where they were not
 * followed together.
 */
function likenessStep(a: FootSpell, b: FootSpell): number {
  const steps: number[] = [];
  b.whole.times.forEach((t, j) => {
    const k = a.whole.times.indexOf(t);
    if (
      k >= 0 &&
      t > a.toMs &&
      t < b.fromMs &&
      !Number.isNaN(a.whole.t[k]!) &&
      !Number.isNaN(b.whole.t[j]!)
    )
      steps.push(a.whole.t[k]! - b.whole.t[j]!);
  });
  return steps.length >= FEWEST ? median(steps) : NaN;
}
