import { findStage, type Stage } from "./drills";
import { judge } from "./judge/judge";
import { actionsOf } from "./judge/actions";
import type { Measured, Verdict } from "./judge/verdict";
import { MEASURE_IDS, type MeasureId } from "./measures";
import type { View } from "./scene/view";
import { measureAll } from "./measures";
import { readMotion, type Motion } from "./motion/motion";
import type { FootEvent } from "./reps/events/footEvents";
import { readRep } from "./reps/readRep";
import {
  EVENT_NAMES,
  type EventName,
  type Rep,
  type RepContext,
  hangTogether,
  type RepRules,
  hasStrike,
} from "./reps/rep";
import { series, type RepSeries } from "./reps/series";
import { nearest } from "./reps/clock";
import { slice, split } from "./reps/split";
import type { Turn } from "./reps/turns";
import { OVERRIDE_FRAMES, type Overrides } from "./reps/overrides";
import type { RepWindow } from "./reps/window";
import { pressureSmoother } from "./reps/weight";
import { CAMERA_PRIOR, type CameraFacts } from "./scene/camera";
import { during } from "./scene/problems";
import { readScene, type GolferFacts, type Problem, type Scene } from "./scene/scene";
import { finishTrack } from "./track/finishTrack";
import { realTime } from "./track/realTime";
import { halved } from "./track/unread";
import type { Track } from "./track/track";
import {
  eventError,
  FITTED,
  footEventError,
  type ErrorTable,
  type Sort,
} from "./uncertainty/errors";
import { perturbed, type CopiesPart } from "./uncertainty/perturb";
import { sample, spread, zeroErrorSpell, type Sampled } from "./uncertainty/sample";
import { reportEvent, reportMeasure, type Timed, type ErrorSources } from "./uncertainty/report";
import { SAME_REP_MS, unreadOf } from "./uncertainty/unreadYet";

export type { RepSeries } from "./reps/series";

/** Raised whenever the same track would give other numbers; kept with every rep. */
export const ALGORITHM_VERSION = "d3";

export interface AnalysedRep {
  index: number;
  kind: Rep["kind"];
  from: number;
  to: number;
  events: Partial<Record<EventName, Timed>>;
  footEvents: (Timed & { foot: FootEvent["foot"]; event: FootEvent["event"] })[];
  turns: (Timed & { of: Turn["of"]; side: Turn["side"] })[];
  measures: Record<MeasureId, Measured>;
  verdict: Verdict | null;
  series: RepSeries;
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
  /** The stage itself, of a drill that is not built in. */
  by?: Stage;
  /** Without a drill: the view that was filmed and how reps go. */
  view?: View;
  rules?: RepRules;
  /** What is known of the phone's height and lens. */
  camera?: CameraFacts;
  /**
   * How much later than the picture this phone's sound is, ms, as a clap in set-up told; without
   * it, 0 within 20 ms.
   */
  soundOffset?: Timed;
  /** Pictures a second at which the clip was really filmed, when it plays slower. */
  captureFps?: number;
  /** Seen by a running camera: it can't be slow motion. */
  live?: boolean;
  /** Perturbed copies behind each uncertainty. */
  samples?: number;
  seed?: number;
  /** What the methods get wrong; the fitted table unless one is being fitted. */
  errors?: ErrorTable;
}

/**
 * A swing at real speed: longer (or shorter) than this asks about slow motion (docs/movement.md,
 * scale and view), ms.
 */
const BACK_RANGE = [400, 2000] as const;
const DOWN_RANGE = [150, 600] as const;
/** The rough top and lowest hands may each be 100 ms from the true ones, ms. */
const LONGEST_DOWN = 800;
/** The sampled spread leaves out the picture clock's own error: half a frame, spread evenly. */
const FRAME_SHARE = 1 / Math.sqrt(12);
/** Picture–sound offset of a phone that no clap has measured, ms (docs/movement.md, impact). */
const SOUND_U = 20;
/**
 * Live, sound and picture come by clocks of their own, that only how soon they come brings
 * together: twice as much, by hand.
 */
const LIVE_SOUND_U = 40;
const SOUND_CM_PER_MS = 34.3;
/** Perturbed copies behind each uncertainty. */
export const SAMPLES = 64;

/**
 * From a track to verdicts: scene, motion, reps, measures, judge; and the same again on perturbed
 * copies for every uncertainty.
 *
 * @throws RangeError when the drill, the stage or the stature makes no sense
 */
export const analyse = (original: Track, options: AnalyseOptions): Analysis =>
  openAnalysis(original, options).analysis;

/** An analysis of which single reps can be read again as the golfer says. */
export interface OpenAnalysis {
  /** Of all reps; computed when it is first asked for. */
  readonly analysis: Analysis;
  scale: Scene["scale"];
  /**
   * Which rep of the track a kept one is: with another hand or stature others may be found before
   * it.
   *
   * @param was its place in the track then, and when it began and ended, ms
   * @returns -1 when it is not found any more
   */
  placeOf(was: { index: number; from: number; to: number }): number;
  /**
   * One of its reps with what the golfer says of it; null when no rep is left then. Quicker than
   * the first time: what the rep may as well have been is drawn once.
   *
   * @param sampled its copies read elsewhere
   * @throws RangeError when there is no such rep
   */
  again(index: number, said: Overrides, sampled?: Sampled): AnalysedRep | null;
  /**
   * Of the copies behind a rep's uncertainties those numbered `part` (from, before): for one who
   * computes the parts side by side, joins them and hands them to `again`.
   */
  sampleAgain(index: number, said: Overrides, part: CopiesPart): Sampled | null;
}

/**
 * As `analyse`; keeps what reading single reps again takes.
 *
 * @throws RangeError when the drill, the stage or the stature makes no sense
 * @example openAnalysis(track, { golfer: { statureCm: 178, hand: "right" }, drill: "double-step"
 * }).again(0, { events: { top: 2310 } })
 */
export function openAnalysis(original: Track, options: AnalyseOptions): OpenAnalysis {
  const { golfer } = options;
  if (!(golfer.statureCm >= 120 && golfer.statureCm <= 220))
    throw new RangeError(`stature must be 120 to 220 cm, got ${golfer.statureCm}`);
  const stage =
    options.by ?? (options.drill === "none" ? null : findStage(options.drill, options.stage).stage);
  const ask: Ask = {
    options,
    stage,
    rules: stage?.rules ?? options.rules ?? { kind: "swing", clubAhead: false },
    view: stage?.view ?? options.view ?? "face-on",
  };
  const asksSpeed = options.captureFps === undefined && !options.live;
  const told = readReps(realTime(original, options.captureFps), ask);
  // No swing at the speed the film plays: perhaps one at a slow-motion camera's.
  const slowed =
    told.reps.length || !asksSpeed || !hasStrike(ask.rules) ? null : slowSwing(original, ask);
  const read = slowed ?? told;
  const half = slowed ? null : halved(original);
  const less = half && readReps(realTime(half, options.captureFps), ask).reps;
  const problems = [...read.scene.problems];
  if (!read.reps.length)
    problems.push({
      code: "noMotion",
      message: "No rep is seen in this clip.",
      action: "Film from before you stand still until after the finish.",
      touches: "nothing",
    });
  else if (
    asksSpeed &&
    hasStrike(ask.rules) &&
    !ask.rules.slow &&
    (slowed || read.reps.some(tooSlow))
  )
    problems.push(SLOW_MOTION);
  const { scene } = read;
  const lessOf = (r: FoundRep) => less && { rep: less.find((l) => sameRep(l, r)) ?? null };
  const [drawn, drawnAnew] = [new Map<string, Motion[]>(), new Map<string, Motion[]>()];
  const count = options.samples ?? SAMPLES;
  let all: Analysis | null = null;
  const saidOf = (index: number, said: Overrides): FoundRep | null => {
    const first = read.reps[index];
    if (!first) throw new RangeError(`there is no rep ${index + 1}`);
    return sayOf(first, said, read.whole, ask);
  };
  const sampledOf = (
    found: FoundRep,
    index: number,
    said: Overrides,
    part: CopiesPart,
  ): Sampled => {
    // Where the rep is cut out anew, or stands still at another time, it may have been something
    // else.
    const { split, events } = said;
    const anew = split !== undefined || events?.address !== undefined;
    const kept = anew ? drawnAnew : drawn;
    const key = JSON.stringify([index, part, split, events?.address]);
    let copies = kept.get(key);
    if (!copies) {
      const cut = anew
        ? saidOf(index, {
            ...(split ? { split } : {}),
            ...(events?.address === undefined ? {} : { events: { address: events.address } }),
          })
        : null;
      copies = [...copiesOf(cut ?? read.reps[index]!, index, scene, options, part)];
      // Of what is cut anew only the latest: a split is moved many times.
      drawnAnew.clear();
      kept.set(key, copies);
    }
    return sample(copies, part[1] - part[0], found.rep, found.window, found.context);
  };
  return {
    get analysis() {
      return (all ??= {
        drill: options.drill,
        stage: stage?.id ?? null,
        view: scene.view,
        scale: scene.scale,
        problems,
        reps: read.reps.map((r, index) =>
          analysed(
            r,
            index,
            scene,
            problems,
            ask,
            lessOf(r),
            sample(
              copiesOf(r, index, scene, options, [0, count]),
              count,
              r.rep,
              r.window,
              r.context,
            ),
          ),
        ),
      });
    },
    scale: scene.scale,
    placeOf({ index, from, to }) {
      const within = (r: FoundRep | undefined) =>
        r !== undefined && middle(r) > from && middle(r) < to;
      return within(read.reps[index]) ? index : read.reps.findIndex(within);
    },
    again(index, said, sampled) {
      const found = saidOf(index, said);
      return (
        found &&
        analysed(
          found,
          index,
          scene,
          problems,
          ask,
          lessOf(found),
          sampled ?? sampledOf(found, index, said, [0, count]),
          said,
        )
      );
    },
    sampleAgain(index, said, part) {
      const found = saidOf(index, said);
      return found && sampledOf(found, index, said, part);
    },
  };
}

const copiesOf = (
  { motion, rep }: FoundRep,
  index: number,
  scene: Scene,
  { seed }: AnalyseOptions,
  part: CopiesPart,
): Iterable<Motion> => perturbed(motion, scene, zeroErrorSpell(rep), part, (seed ?? 1) + index);

/**
 * A rep with what the golfer says of it. What is read is a little late or early, each event by its
 * own; so is what is said put in, and taken out again as the others are.
 */
function sayOf(
  { motion, window, context, rep }: FoundRep,
  said: Overrides,
  whole: Motion,
  { options, view }: Ask,
): FoundRep | null {
  const errors = options.errors ?? FITTED;
  const sort = sortOf(view, rep);
  const late = (event: FootEvent["event"], ms: number | null) =>
    ms === null ? null : ms + footEventError(errors, { event }).offset;
  const put: Overrides = {
    ...said,
    events: Object.fromEntries(
      Object.entries(said.events ?? {}).map(([name, t]) => [
        name,
        t + eventError(errors, name, sort).offset,
      ]),
    ),
    feet: (said.feet ?? []).map((f) => ({
      ...f,
      from: late(f.event, f.from),
      to: late(f.event, f.to),
    })),
  };
  const cut = said.split && windowOf(said.split, whole, window);
  const own = cut && !hangTogether(context.rules) ? slice(whole, cut) : motion;
  const again: RepContext = {
    ...context,
    overrides: put,
    smoother:
      own.n === motion.n ? context.smoother : pressureSmoother(own, context.rules.kind === "cycle"),
  };
  const now = readRep(own, cut ?? window, again);
  return now && { motion: own, window: cut ?? window, context: again, rep: now };
}

/**
 * A window between two times of the whole motion; looked into where the rep was, if that is in it.
 */
function windowOf(
  { from, to }: { from: number; to: number },
  whole: Motion,
  before: RepWindow,
): RepWindow {
  const [a, b] = [nearest(whole, from), nearest(whole, to)];
  const within = (i: number) => i > a && i < b;
  return {
    from: a,
    to: b,
    about: within(before.about) ? before.about : (a + b) >> 1,
    ...(before.low === undefined ? {} : { low: within(before.low) ? before.low : b }),
  };
}

const sortOf = (view: View, rep: Rep): Sort =>
  view === "down-the-line" ? "behind" : stepped(rep) ? "step" : "planted";

interface Ask {
  options: AnalyseOptions;
  stage: Stage | null;
  rules: RepRules;
  view: View;
}

const SLOW_MOTION: Problem = {
  code: "slowMotion",
  message: "Filmed in slow motion? The swing lasts too long for real speed.",
  action: "Say at how many pictures a second it was filmed.",
  touches: "rep",
};

/** One rep with the part of the motion that it was read in. */
interface FoundRep {
  motion: Motion;
  window: RepWindow;
  context: RepContext;
  rep: Rep;
}

interface ReadReps {
  scene: Scene;
  whole: Motion;
  reps: FoundRep[];
}

function readReps(timed: Track, { options, rules, view }: Ask): ReadReps {
  const track = finishTrack(timed, view === "face-on");
  const scene = readScene(track, options.golfer, view, options.camera);
  const whole = readMotion(track, scene, options.golfer);
  const offset = options.soundOffset ?? { t: 0, u: options.live ? LIVE_SOUND_U : SOUND_U };
  const travel = scene.camera.distanceCm / SOUND_CM_PER_MS;
  const strikes = { ms: track.sounds.map((s) => s.t - offset.t - travel), u: offset.u };
  const wholeSmoother = pressureSmoother(whole, rules.kind === "cycle");
  const reps = split(track, whole, rules).flatMap((window) => {
    const motion = hangTogether(rules) ? whole : slice(whole, window);
    const context = {
      rules,
      strikes,
      smoother:
        motion.n === whole.n ? wholeSmoother : pressureSmoother(motion, rules.kind === "cycle"),
    };
    const rep = readRep(motion, window, context);
    return rep ? [{ motion, window, context, rep }] : [];
  });
  return { scene, whole, reps };
}

function slowSwing(original: Track, ask: Ask): ReadReps | null {
  for (const times of [8, 4, 2]) {
    const read = readReps(realTime(original, original.video.fps * times), ask);
    if (read.reps.length && !tooSlow(read.reps[0]!)) return read;
  }
  return null;
}

function tooSlow({ rep: { events }, motion, window }: FoundRep): boolean {
  const outside = (v: number, [lo, hi]: readonly [number, number]) => v < lo || v > hi;
  // Arms that take longer to come down, whatever was taken for an impact meanwhile; from behind
  // they seem to stay up.
  const arms =
    window.low === undefined || motion.view === "down-the-line"
      ? 0
      : (window.low - window.about) * motion.dt * 1000;
  return (
    outside(events.top - events.handStart, BACK_RANGE) ||
    outside(events.impact - events.top, DOWN_RANGE) ||
    arms > LONGEST_DOWN
  );
}

/** Where a rep has its middle, ms: its top, if it has one. */
export const middleMs = (r: Pick<AnalysedRep, "events" | "from" | "to">): number =>
  r.events.top?.t ?? (r.from + r.to) / 2;

const middle = ({ rep }: FoundRep): number =>
  Number.isNaN(rep.events.top) ? (rep.fromMs + rep.toMs) / 2 : rep.events.top;
const sameRep = (a: FoundRep, b: FoundRep): boolean =>
  Math.abs(middle(a) - middle(b)) < SAME_REP_MS;

/**
 * @param less the same rep read from fewer frames, null where it was not found in them; null where
 * all frames were read
 */
function analysed(
  { motion, context, rep }: FoundRep,
  index: number,
  scene: Scene,
  all: Problem[],
  { options, stage, rules, view }: Ask,
  less: { rep: FoundRep | null } | null,
  sampled: Sampled,
  said?: Overrides,
): AnalysedRep {
  const frameMs = motion.dt * 1000 * FRAME_SHARE;
  const unread = unreadOf(less, rules);
  const problems = during(all, rep.fromMs, rep.toMs);
  const raw = measureAll(motion, rep, rules);
  const rolledShare = rules.uneven
    ? (100 *
        COM_HEIGHT *
        options.golfer.statureCm *
        Math.tan((CAMERA_PRIOR.rollDeg[1] * Math.PI) / 180)) /
      Math.abs(raw.footGapAddress.value)
    : 0;
  const told: ErrorSources = {
    sampled,
    frameMs,
    errors: options.errors ?? FITTED,
    sort: sortOf(view, rep),
    unread,
    rolledShare,
  };
  const measures = Object.fromEntries(
    MEASURE_IDS.map((id) => [id, reportMeasure(id, raw[id], told, problems)]),
  ) as Record<MeasureId, Measured>;
  const footEvents = rep.footEvents.map((e, k) => {
    const { offset, sd } = footEventError(told.errors, e);
    return {
      foot: e.foot,
      event: e.event,
      t: e.ms - offset,
      u: e.overridden
        ? OVERRIDE_FRAMES * motion.dt * 1000
        : Math.hypot(spread(sampled.footEvents[k]!), frameMs, sd, unread.footEvent(e)),
    };
  });
  return {
    index,
    kind: rep.kind,
    from: rep.fromMs,
    to: rep.toMs,
    events: Object.fromEntries(
      EVENT_NAMES.filter((e) => Number.isFinite(rep.events[e])).map((e) => [
        e,
        said?.events?.[e] === undefined
          ? reportEvent(e, rep, told, context)
          : { t: said.events[e], u: OVERRIDE_FRAMES * motion.dt * 1000 },
      ]),
    ),
    footEvents,
    turns: rep.turns
      .filter((t) => t.ms >= rep.fromMs - frameMs && t.ms <= rep.toMs + frameMs)
      .map((t) => ({ of: t.of, side: t.side, t: t.ms, u: Math.hypot(frameMs, TURN_SD[t.of]) })),
    measures,
    verdict: stage
      ? judge({
          stage,
          statureCm: options.golfer.statureCm,
          measures,
          actions: actionsOf(stage, motion, rep, measures),
          problems,
        })
      : null,
    series: series(motion, rep, sampled.shares),
  };
}

/** Spread of a turn-around's time, ms; see docs/accuracy.md (cycles). */
const TURN_SD = { pressure: 25, hands: 12, foot: 20 } as const;

/** Height of the centre of mass, share of stature (de Leva). */
const COM_HEIGHT = 0.56;

/** Whether a foot left the ground before the strike. */
function stepped(rep: Rep): boolean {
  const hit = [rep.events.impact, rep.events.release].find((t) => !Number.isNaN(t)) ?? rep.toMs;
  return rep.footEvents.some((e) => e.event === "liftOff" && e.ms < hit);
}
