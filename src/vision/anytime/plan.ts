import type { Analysis, AnalysedRep } from "../../core/analysis";
import type { Stage } from "../../core/drills";
import { leftOpen } from "../../core/judge";
import { CATALOGUE, type MeasureId, type Part } from "../../core/measures";
import { roughReps, finishTrack, readFrames, frameMs, type Track } from "../../core/track";

/** What is wanted of a clip: a stage's musts, or every measure. */
export type Wanted = Pick<Stage, "checks"> | "everything";

/**
 * Spacing of the first look, ms: at 8 Hz every one of 90 swings of the study is found, at 5 Hz 86
 * (docs/decisions/14).
 */
export const FIRST_MS = 125;
/** Spacing in a rep from before its start to its end, ms. */
const REP_MS = 66;
/** A clip in which no rep was found is searched at these spacings, one after another, ms. */
const SEARCHED_MS = [REP_MS, 33, 0] as const;
/**
 * A rep as it is first looked at: this long before its rough top and after its lowest hands, ms.
 */
const ROUGH = { before: 1900, after: 900 } as const;

/** Spacing at which a part is first read, ms; and how far it reaches either way of its events. */
interface Need {
  spacing: number;
  before: number;
  after: number;
}

const CONTACT: Need = { spacing: 33, before: 120, after: 120 };
/** Set by hand; `npm run bench:anytime` holds what comes of them to the whole reading. */
const NEEDS: Record<Part, Need> = {
  still: { spacing: REP_MS, before: 350, after: 100 },
  start: { spacing: 33, before: 150, after: 150 },
  back: { spacing: REP_MS, before: 0, after: 0 },
  top: { spacing: 16, before: 110, after: 110 },
  down: { spacing: 33, before: 0, after: 0 },
  impact: { spacing: 16, before: 80, after: 60 },
  through: { spacing: REP_MS, before: 0, after: 0 },
  finish: { spacing: REP_MS, before: 150, after: 250 },
  trailOff: CONTACT,
  trailOn: CONTACT,
  leadOff: CONTACT,
  leadOn: CONTACT,
};

/** From when to when each rep lasts, as far as a first look tells, ms. */
export const roughSpans = (track: Track, faceOn: boolean): [from: number, to: number][] =>
  roughReps(finishTrack(track, faceOn)).map(({ top, low }) => [
    track.times[top]! - ROUGH.before,
    track.times[low]! + ROUGH.after,
  ]);

/** Frames of a first look at a clip, which needs nothing but its times. */
export const firstLook = (times: Float64Array): number[] =>
  spaced(times, times[0]!, times[times.length - 1]!, FIRST_MS);

/**
 * *Which frames to look at next*, in order; none when there is nothing left to gain. A rep is known
 * well before all of its pictures are read: positions of the trunk change slowly, and only some
 * events want every picture. The plan reads thinly first, then more closely where the measures that
 * are not decided yet are made.
 *
 * @param track what has been read so far
 * @param analysis of it, or null while only the first look has been taken
 * @param search whether to look closer where no rep was found
 * @param slack share of a spacing within which a frame that was read stands for one that is wanted:
 * a running camera's were not read on a grid
 */
export function nextFrames(
  track: Track,
  analysis: Analysis | null,
  wanted: Wanted,
  faceOn: boolean,
  search = true,
  slack = 0,
): number[] {
  const read = readFrames(track);
  const known = new Set(read);
  const stoodFor = (i: number, spacing: number) =>
    slack > 0 &&
    spacing > 0 &&
    read.some((r) => Math.abs(track.times[r]! - track.times[i]!) <= slack * spacing);
  const fresh = (frames: readonly number[], spacing = 0) =>
    [...new Set(frames)]
      .filter((i) => !known.has(i) && !stoodFor(i, spacing))
      .sort((a, b) => a - b);
  if (!analysis) {
    return fresh(
      roughSpans(track, faceOn).flatMap(([from, to]) => spaced(track.times, from, to, REP_MS)),
      REP_MS,
    );
  }
  // That there is no rep is not said of a clip that was thinly read.
  if (!analysis.reps.length && search)
    for (const spacing of SEARCHED_MS) {
      const frames = fresh(
        spaced(track.times, track.times[0]!, track.times[track.times.length - 1]!, spacing),
      );
      if (frames.length) return frames;
    }
  // First what a part needs, then every picture of it.
  for (const full of wanted === "everything" ? [false] : [false, true]) {
    const batches = analysis.reps.flatMap((rep) => [
      fresh(stepsOf(track.times, rep, wanted, slack > 0), CONTACT.spacing),
      ...undecided(rep, wanted, slack > 0).map((id) =>
        fresh(
          CATALOGUE[id].reads.flatMap((part) =>
            fresh(
              framesOf(track.times, rep, part, full && rep.verdict?.result !== "fail"),
              full ? 0 : NEEDS[part].spacing,
            ),
          ),
        ),
      ),
    ]);
    const next = batches.filter((b) => b.length).sort((a, b) => a.length - b.length)[0];
    if (next) return next;
  }
  return [];
}

/**
 * Measures that are still open: of a rep not yet judged the checks that neither pass nor fail; with
 * `doubt` what a lost one is lost by, too.
 */
function undecided(rep: AnalysedRep, wanted: Wanted, doubt: boolean): MeasureId[] {
  if (wanted === "everything")
    return Object.entries(rep.measures).flatMap(([id, m]) =>
      m.state === "measured" ? [id as MeasureId] : [],
    );
  if (!rep.verdict) return [];
  const { checks, cue, result } = rep.verdict;
  if (result === "fail")
    return doubt ? checks.filter((c) => c.id === cue?.id).map((c) => c.measure) : [];
  if (result === "pass") return [];
  return checks.filter(leftOpen).map((c) => c.measure);
}

/**
 * A step that was not seen is looked for where the feet may leave and land; with `doubt` one that
 * seems not to have been made, too.
 */
function stepsOf(times: Float64Array, rep: AnalysedRep, wanted: Wanted, doubt: boolean): number[] {
  if (wanted === "everything" || !rep.verdict) return [];
  const lost = rep.verdict.result === "fail";
  const looked = rep.verdict.actions.some(
    (a) => (a.result === "not seen" && !lost) || (doubt && a.result === "missing"),
  );
  const [from, to] = [
    rep.events.handStart?.t ?? rep.from,
    (rep.events.impact ?? rep.events.release)?.t ?? rep.to,
  ];
  return looked ? spaced(times, from - STEP_BEFORE_MS, to, CONTACT.spacing) : [];
}

/** A foot that steps first leaves within this before the hands start, ms. */
const STEP_BEFORE_MS = 600;

function framesOf(times: Float64Array, rep: AnalysedRep, part: Part, full: boolean): number[] {
  const { spacing, before, after } = NEEDS[part];
  const [from, to] = spanOf(rep, part);
  if (!Number.isFinite(from) || !Number.isFinite(to)) return [];
  return spaced(times, from - before, to + after, full ? 0 : spacing);
}

function spanOf(rep: AnalysedRep, part: Part): [from: number, to: number] {
  const e = (name: keyof AnalysedRep["events"]) => rep.events[name]?.t ?? NaN;
  const hit = Number.isNaN(e("impact")) ? e("release") : e("impact");
  const contact = (foot: "lead" | "trail", event: "liftOff" | "landing"): [number, number] => {
    const found = rep.footEvents.find((f) => f.foot === foot && f.event === event);
    return [found?.t ?? NaN, found?.t ?? NaN];
  };
  switch (part) {
    case "still":
      return [e("address"), e("address")];
    case "start":
      return [e("handStart"), e("handStart")];
    case "back":
      return [e("address"), e("top")];
    case "top":
      return [e("top"), e("top")];
    case "down":
      return [e("top"), hit];
    case "impact":
      return [hit, hit];
    case "through":
      return [hit, e("finish")];
    case "finish":
      return [e("finish"), e("finish")];
    case "trailOff":
      return contact("trail", "liftOff");
    case "trailOn":
      return contact("trail", "landing");
    case "leadOff":
      return contact("lead", "liftOff");
    case "leadOn":
      return contact("lead", "landing");
  }
}

/**
 * Frames from one look to the next: a power of two, so that each closer grid holds the wider ones.
 */
export const gridStep = (spacingMs: number, frameMs: number): number =>
  2 ** Math.max(0, Math.round(Math.log2(Math.max(spacingMs, 1) / frameMs)));

/**
 * Frames between two times at about a spacing (0: all of them), each the nearest to its place on
 * the clip's own grid, so that closer looks keep what wider ones read.
 */
export function spaced(
  times: Float64Array,
  fromMs: number,
  toMs: number,
  spacingMs: number,
): number[] {
  const out: number[] = [];
  const frame = frameMs(times);
  const step = gridStep(spacingMs, frame);
  for (let i = 0; i < times.length; i++)
    if (times[i]! >= fromMs && times[i]! <= toMs && (i % step === 0 || i === times.length - 1))
      out.push(i);
  return out;
}
