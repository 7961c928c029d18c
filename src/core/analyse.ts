import { findStage, type Stage } from "./drills";
import { judge } from "./judge/judge";
import { stepTaken } from "./judge/actions";
import type { Measured, Verdict } from "./judge/verdict";
import type { JerkSmoother } from "./maths/jerkSmoother";
import { deviation, median } from "./maths/stats";
import { CATALOGUE, MEASURE_IDS, type MeasureId } from "./measures/catalogue";
import { measureAll } from "./measures/measureAll";
import { placeOnClock } from "./motion/footMotion";
import { readMotion, type Motion } from "./motion/motion";
import { EVENT_NAMES, readRep, type EventName, type Rep, type RepRules } from "./reps/rep";
import type { FootEvent } from "./reps/events/footEvents";
import { pressureSmoother } from "./reps/share";
import { readScene, type GolferFacts, type Problem, type Scene } from "./scene/scene";
import { finishTrack } from "./track/finishTrack";
import { realTime } from "./track/realTime";
import type { Track } from "./track/track";
import { MODEL_SD } from "./uncertainty/fitted";
import { perturbed } from "./uncertainty/perturb";

/** Raised whenever the same track would give other numbers; kept with every rep. */
export const ALGORITHM_VERSION = "a1";

export interface Timed {
  t: number;
  u: number;
}

export interface AnalysedRep {
  index: number;
  kind: Rep["kind"];
  from: number;
  to: number;
  events: Partial<Record<EventName, Timed>>;
  footEvents: (Timed & { foot: FootEvent["foot"]; event: FootEvent["event"] })[];
  measures: Record<MeasureId, Measured>;
  verdict: Verdict | null;
  /** What the pictures are drawn from; cm along T against address, shares in %, all on `t` (ms). */
  series: RepSeries;
}

export interface RepSeries {
  t: number[];
  leadShare: number[];
  leadShareU: number[];
  pelvisT: number[];
  headT: number[];
  handsT: number[];
  comT: number[];
  /** Foot centres along T and whether the foot is off the ground. */
  leadFootT: number[];
  trailFootT: number[];
  leadAir: number[];
  trailAir: number[];
  /** Heel off while the toe stands. */
  leadHeelUp: number[];
  trailHeelUp: number[];
}

export interface Analysis {
  drill: string;
  stage: string | null;
  view: Scene["view"];
  scale: Scene["scale"];
  problems: Problem[];
  reps: AnalysedRep[];
}

export interface AnalyseOptions {
  golfer: GolferFacts;
  /** A drill's id, or "none": measure all, judge nothing. */
  drill: string;
  stage?: string;
  /** Pictures a second at which the clip was really filmed, when it plays slower. */
  captureFps?: number;
  /** Perturbed copies behind each uncertainty. */
  samples?: number;
  seed?: number;
}

/** A swing at real speed: longer (or shorter) than this asks about slow motion (MOVEMENT, scale and view), ms. */
const BACK_RANGE = [400, 2000] as const;
const DOWN_RANGE = [150, 600] as const;
/** The sampled spread leaves out the picture clock's own error: half a frame, spread evenly. */
const FRAME_SHARE = 1 / Math.sqrt(12);

/**
 * From a track to verdicts: scene, motion, rep, measures, judge; and the same again on perturbed copies for every
 * uncertainty.
 *
 * @throws RangeError when the drill, the stage or the stature makes no sense
 */
export function analyse(original: Track, options: AnalyseOptions): Analysis {
  const { golfer } = options;
  if (!(golfer.statureCm >= 120 && golfer.statureCm <= 220)) throw new RangeError(`stature must be 120 to 220 cm, got ${golfer.statureCm}`);
  const chosen = options.drill === "none" ? null : findStage(options.drill, options.stage);
  const rules: RepRules = chosen?.stage.rules ?? { kind: "swing", clubAhead: false };
  const told = readTrackRep(realTime(original, options.captureFps), golfer, rules);
  // No swing at the speed the film plays: perhaps one at a slow-motion camera's.
  const slowed = told.rep || options.captureFps !== undefined ? null : slowSwing(original, golfer, rules);
  const { scene, rep } = slowed ?? told;
  const problems = [...scene.problems];
  if (!rep) problems.push({ code: "noMotion", message: "No swing is seen in this clip.", action: "Film from before you stand still until after the finish." });
  else if (options.captureFps === undefined && (slowed || tooSlow(rep))) problems.push(SLOW_MOTION);
  return {
    drill: options.drill,
    stage: chosen?.stage.id ?? null,
    view: scene.view,
    scale: scene.scale,
    problems,
    reps: rep ? [withUncertainty({ ...(slowed ?? told), rep }, rules, chosen?.stage ?? null, problems, options)] : [],
  };
}

const SLOW_MOTION: Problem = {
  code: "slowMotion",
  message: "Filmed in slow motion? The swing lasts too long for real speed.",
  action: "Say at how many pictures a second it was filmed.",
};

interface ReadRep {
  scene: Scene;
  motion: Motion;
  smoother: JerkSmoother;
  stillFromMs: number;
  rep: Rep | null;
}

function readTrackRep(timed: Track, golfer: GolferFacts, rules: RepRules): ReadRep {
  const track = finishTrack(timed);
  const scene = readScene(track, golfer);
  const motion = readMotion(track, scene, golfer);
  const smoother = pressureSmoother(motion);
  const stillFromMs = scene.still ? track.times[scene.still.from]! : motion.startMs;
  return { scene, motion, smoother, stillFromMs, rep: readRep(motion, rules, smoother, stillFromMs) };
}

function slowSwing(original: Track, golfer: GolferFacts, rules: RepRules): ReadRep | null {
  for (const times of [8, 4, 2]) {
    const read = readTrackRep(realTime(original, original.video.fps * times), golfer, rules);
    if (read.rep && !tooSlow(read.rep)) return read;
  }
  return null;
}

function tooSlow({ events }: Rep): boolean {
  const outside = (v: number, [lo, hi]: readonly [number, number]) => v < lo || v > hi;
  return outside(events.top - events.handStart, BACK_RANGE) || outside(events.impact - events.top, DOWN_RANGE);
}

function withUncertainty(
  read: ReadRep & { rep: Rep }, rules: RepRules, stage: Stage | null, problems: Problem[], options: AnalyseOptions,
): AnalysedRep {
  const { motion, scene, rep, smoother, stillFromMs } = read;
  const copies = options.samples ?? 64;
  const events = new Map<EventName, number[]>(EVENT_NAMES.map((e) => [e, []]));
  const values = new Map<MeasureId, number[]>(MEASURE_IDS.map((id) => [id, []]));
  const feet = rep.footEvents.map((): number[] => []);
  const shares: Float64Array[] = [];
  const still = { fromMs: rep.stillFromMs, toMs: rep.events.address };
  for (const copy of perturbed(motion, scene, still, copies, options.seed ?? 1)) {
    const r = readRep(copy, rules, smoother, stillFromMs);
    if (!r) continue;
    for (const name of EVENT_NAMES) if (!Number.isNaN(r.events[name])) events.get(name)!.push(r.events[name]);
    const m = measureAll(copy, r);
    for (const id of MEASURE_IDS) if (!Number.isNaN(m[id].value)) values.get(id)!.push(m[id].value);
    rep.footEvents.forEach((e, k) => {
      const same = r.footEvents.find((f) => f.foot === e.foot && f.event === e.event && Math.abs(f.ms - e.ms) < 120);
      if (same) feet[k]!.push(same.ms);
    });
    shares.push(r.leadShare);
  }
  const frameMs = motion.dt * 1000 * FRAME_SHARE;
  const raw = measureAll(motion, rep);
  const measures = Object.fromEntries(
    MEASURE_IDS.map((id) => [id, measured(id, raw[id], values.get(id)!, copies, frameMs)]),
  ) as Record<MeasureId, Measured>;
  const timed = (t: number, seen: number[], model = 0): Timed => ({ t, u: Math.hypot(spread(seen), frameMs, model) });
  const actions = stage?.actions.map((a) => stepTaken(a, motion, rep)) ?? [];
  return {
    index: 0,
    kind: rep.kind,
    from: rep.fromMs,
    to: rep.toMs,
    events: Object.fromEntries(EVENT_NAMES.filter((e) => !Number.isNaN(rep.events[e])).map((e) => [e, timed(rep.events[e], events.get(e)!, MODEL_SD.events[e])])),
    footEvents: rep.footEvents.map((e, k) => ({ foot: e.foot, event: e.event, ...timed(e.ms, feet[k]!) })),
    measures,
    verdict: stage ? judge({ stage, statureCm: options.golfer.statureCm, measures, actions, problems }) : null,
    series: series(motion, rep, shares),
  };
}

/** Fewer copies than this share having a value means that it can't be relied on. */
const ENOUGH = 0.8;
const WHY: Record<string, string> = {
  eventNotFound: "an event it needs was not found",
  footNotSeen: "the foot was not seen",
  noStep: "the foot did not step",
  neverLoaded: "the weight never went to the trail foot",
};

function measured(id: MeasureId, raw: { value: number; atMs?: number; why?: string }, seen: number[], copies: number, frameMs: number): Measured {
  const { unit } = CATALOGUE[id];
  if (Number.isNaN(raw.value)) return { value: null, u: null, unit, state: "not measurable", reason: WHY[raw.why ?? ""] ?? "it could not be measured" };
  if (seen.length < copies * ENOUGH) return { value: raw.value, u: null, unit, state: "not measurable", reason: "the film does not carry it" };
  const u = Math.hypot(spread(seen), unit === "ms" ? frameMs * Math.SQRT2 : 0, MODEL_SD.measures[id] ?? 0);
  return { value: raw.value, u, unit, state: "measured", ...(raw.atMs === undefined ? {} : { at: raw.atMs }) };
}

/** Standard deviation of samples, by their middle 68 % where a few stray far. */
function spread(x: number[]): number {
  if (x.length < 2) return 0;
  const m = median(x);
  const robust = median(x.map((v) => Math.abs(v - m))) * 1.4826;
  const full = deviation(x);
  return full > 3 * robust && robust > 0 ? (full + robust) / 2 : full;
}

function series(m: Motion, rep: Rep, shares: Float64Array[]): RepSeries {
  const a = Math.round((rep.events.address - m.startMs) / 1000 / m.dt);
  const against = (x: Float64Array) => Array.from(x, (v) => round(v - x[Math.min(Math.max(a, 0), m.n - 1)]!));
  const times = Array.from({ length: m.n }, (_, i) => m.startMs + i * m.dt * 1000);
  const place = (foot: "lead" | "trail") => {
    const { heelT, toeT } = placeOnClock(rep.feet[foot], m.startMs, m.dt, m.n);
    return heelT.map((h, i) => (h + toeT[i]!) / 2);
  };
  const lead = place("lead");
  const trail = place("trail");
  const middle = (lead[Math.max(a, 0)]! + trail[Math.max(a, 0)]!) / 2;
  const inAir = (foot: "lead" | "trail") => times.map((t) => (rep.air[foot].some(([from, to]) => t > from && t < to) ? 1 : 0));
  const heelUp = (foot: "lead" | "trail") => {
    const up = rep.footEvents.filter((e) => e.foot === foot && e.event === "heelUp").map((e) => e.ms);
    const land = rep.footEvents.filter((e) => e.foot === foot && e.event === "landing").map((e) => e.ms);
    return times.map((t) => {
      const since = Math.max(-Infinity, ...up.filter((u) => u <= t));
      return Number.isFinite(since) && !land.some((l) => l > since && l <= t) ? 1 : 0;
    });
  };
  return {
    t: times.map(round),
    leadShare: Array.from(rep.leadShare, round),
    leadShareU: times.map((_, i) => round(deviation(shares.map((s) => s[i]!)) || 0)),
    pelvisT: against(m.hipT),
    headT: against(m.headT),
    handsT: against(m.handsT),
    comT: against(m.comT),
    leadFootT: Array.from(lead, (v) => round(v - middle)),
    trailFootT: Array.from(trail, (v) => round(v - middle)),
    leadAir: inAir("lead"),
    trailAir: inAir("trail"),
    leadHeelUp: heelUp("lead"),
    trailHeelUp: heelUp("trail"),
  };
}

const round = (v: number) => Math.round(v * 100) / 100;
