import { judge, actionsOf, type Measured } from "../judge";
import { MEASURE_IDS, type MeasureId, measureAll } from "../measures";
import { EVENT_NAMES, type Rep, series, OVERRIDE_FRAMES, type Overrides } from "../reps";
import { CAMERA_PRIOR, during } from "../scene";
import {
  FITTED,
  footEventError,
  spread,
  type Sampled,
  reportEvent,
  reportMeasure,
  type ErrorSources,
  unreadOf,
} from "../uncertainty";
import { isFoundAgain, type FoundRep } from "./readReps";
import { isItThat } from "./otherMovement";
import { sortOf } from "./sort";
import type { ClipReading } from "./findReps";
import type { AnalysedRep } from "./result";
import type { AnalysisRequest } from "./options";

/** The sampled spread leaves out the picture clock's own error: half a frame, spread evenly. */
const FRAME_SHARE = 1 / Math.sqrt(12);
/** Spread of a turn-around's time, ms; see docs/accuracy.md (cycles). */
const TURN_SD = { pressure: 25, hands: 12, foot: 20 } as const;

/** Height of the centre of mass, share of stature (de Leva). */
const COM_HEIGHT = 0.56;

interface RepToAnalyse {
  /** Its place among the clip's reps. */
  index: number;
  clip: ClipReading;
  asked: AnalysisRequest;
  /** The same rep in the perturbed copies. */
  sampled: Sampled;
  overrides?: Overrides;
}

/** Measures and judges a rep, each number with its uncertainty. */
export function analyseRep(
  found: FoundRep,
  { index, clip, asked, sampled, overrides }: RepToAnalyse,
): AnalysedRep {
  const { motion, context, rep } = found;
  const { options, stage, rules, view } = asked;
  const { fromHalf } = clip;
  const frameMs = motion.dt * 1000 * FRAME_SHARE;
  const overriddenU = OVERRIDE_FRAMES * motion.dt * 1000;
  const raw = measureAll(motion, rep, rules);
  const asks = stage && !options.sure ? isItThat(found, stage, raw) : null;
  const problems = [...during(clip.problems, rep.fromMs, rep.toMs), ...(asks ? [asks] : [])];
  const sources: ErrorSources = {
    sampled,
    frameMs,
    errors: options.errors ?? FITTED,
    sort: sortOf(view, rep),
    unread: unreadOf(
      fromHalf && { rep: fromHalf.find((half) => isFoundAgain(half, found)) ?? null },
      rules,
    ),
    rolledShare: rules.uneven
      ? (100 *
          COM_HEIGHT *
          options.golfer.statureCm *
          Math.tan((CAMERA_PRIOR.rollDeg[1] * Math.PI) / 180)) /
        Math.abs(raw.footGapAddress.value)
      : 0,
  };
  const measures = Object.fromEntries(
    MEASURE_IDS.map((id) => [id, reportMeasure(id, raw[id], sources, problems)]),
  ) as Record<MeasureId, Measured>;
  const given = overrides?.events;
  return {
    index,
    kind: rep.kind,
    from: rep.fromMs,
    to: rep.toMs,
    events: Object.fromEntries(
      EVENT_NAMES.filter((e) => Number.isFinite(rep.events[e])).map((e) => [
        e,
        given?.[e] === undefined
          ? reportEvent(e, rep, sources, context)
          : { t: given[e], u: overriddenU },
      ]),
    ),
    footEvents: footEventsOf(rep, sources, overriddenU),
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

const footEventsOf = (
  rep: Rep,
  { errors, sampled, frameMs, unread }: ErrorSources,
  overriddenU: number,
): AnalysedRep["footEvents"] =>
  rep.footEvents.map((e, k) => {
    const { offset, sd } = footEventError(errors, e);
    return {
      foot: e.foot,
      event: e.event,
      t: e.ms - offset,
      u: e.overridden
        ? overriddenU
        : Math.hypot(spread(sampled.footEvents[k]!), frameMs, sd, unread.footEvent(e)),
    };
  });
