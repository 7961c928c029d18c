import {
  bandFor,
  DRILLS,
  type Check,
  type Drill,
  PHASES,
  type Club,
  type Phase,
  type StyleId,
  type Styles,
  type SymptomId,
} from "../drills";
import type { Measured } from "../judge";
import { deviation, mean } from "../maths";
import { MEASURE_IDS, type MeasureId } from "../measures";
import { carriedChecks } from "./carried";
import { overlap } from "./conflicts";
import { opposed, stylesOf } from "./styles";
import { drillsFor, SYMPTOM_ROWS } from "./symptoms";

/** One measure over a golfer's own swings, in the measure's unit. */
export interface Averaged {
  mean: number;
  /**
   * Standard uncertainty of the mean. The errors of swings filmed by one phone go together, so that
   * it does not shrink with their number; only the spread between swings does.
   */
  u: number;
  /** Deviation from swing to swing. */
  spread: number;
  n: number;
}

/** A measure that lies beyond every limit that the drills set it on one side. */
export interface Finding extends Averaged {
  measure: MeasureId;
  band: readonly [number | null, number | null];
  side: "below" | "above";
  /** Where in the chain of causes it stands. */
  phase: Phase;
  /**
   * Distance from the band over that of the fault which the drills name: 1 = as far off as the
   * fault.
   */
  farAs: number;
  /** Outside by more than twice its uncertainty; else it may be inside. */
  sure: boolean;
  /** The complaint that goes with it, where there is one. */
  symptom: SymptomId | null;
}

/** A drill that would help, and the findings that speak for it, the strongest first. */
export interface Suggestion {
  drill: Drill;
  because: Finding[];
  /** Questions on which it takes the other side than the golfer's. */
  against: StyleId[];
}

export interface Profile {
  swings: number;
  measures: Partial<Record<MeasureId, Averaged>>;
  /**
   * What is outside: what is sure first, then the earliest in the chain of causes (as with a rep's
   * cue), then the farthest.
   */
  findings: Finding[];
  /** What was looked at and lies inside. */
  inside: MeasureId[];
  styles: Styles;
  suggestions: Suggestion[];
}

/**
 * Fewer swings than this are no profile: two that agree are the least that tells a habit from an
 * accident.
 */
export const FEWEST_SWINGS = 2;

/** What normal swings are taken to be made with until a golfer can say otherwise. */
export const TAKEN_CLUB: Club = "iron";

export interface ProfileAsk {
  statureCm: number;
  /** What the swings were made with. */
  club: Club;
  /** What the golfer has chosen; the rest as usual, or as these swings show. */
  styles: Styles;
}

/**
 * A golfer's own swings against the bands of every drill: what is outside, and which drills that
 * speaks for.
 *
 * @param swings the measures of each swing, an ordinary one from the spot
 * @example profileOf(reps.map((r) => r.measures), { statureCm: 170, club: "iron", styles: {}
 * }).suggestions[0]?.drill.name
 */
export function profileOf(
  swings: readonly Partial<Record<string, Measured>>[],
  ask: ProfileAsk,
): Profile {
  const measures: Profile["measures"] = {};
  for (const id of MEASURE_IDS) {
    const own = swings.flatMap((s) => {
      const m = s[id];
      return typeof m?.value === "number" && m.u !== null ? [{ value: m.value, u: m.u }] : [];
    });
    if (own.length < FEWEST_SWINGS) continue;
    const values = own.map((m) => m.value);
    const spread = deviation(values);
    measures[id] = {
      mean: mean(values),
      spread,
      n: own.length,
      u: Math.hypot(mean(own.map((m) => m.u)), spread / Math.sqrt(own.length)),
    };
  }
  const first = findings(measures, ask, stylesOf(ask.styles));
  const styles = stylesOf(ask.styles, drives(first.outside));
  const { outside, inside } = findings(measures, ask, styles);
  return {
    swings: swings.length,
    measures,
    findings: outside,
    inside,
    styles,
    suggestions: suggestions(outside, styles, ask.club),
  };
}

/**
 * What the drills hold an ordinary swing to, measure by measure. Drills of the other club have no
 * say; those of the other side of a question have none where the two sides can't both be met.
 */
function findings(
  measures: Profile["measures"],
  { statureCm, club }: ProfileAsk,
  styles: Styles,
): { outside: Finding[]; inside: MeasureId[] } {
  const told = new Set(SYMPTOM_ROWS.flatMap((s) => s.shownBy));
  const outside: Finding[] = [];
  const inside: MeasureId[] = [];
  const drills = DRILLS.filter((d) => (d.club ?? club) === club);
  const sides = [
    drills.filter((d) => !opposed(d, styles).length),
    drills.filter((d) => opposed(d, styles).length),
  ].map((side) => side.flatMap(carriedChecks)) as [Check[], Check[]];
  for (const [measure, average] of Object.entries(measures) as [MeasureId, Averaged][]) {
    const [own, other] = sides.map((side) => side.filter((c) => c.measure === measure)) as [
      Check[],
      Check[],
    ];
    const checks = [...own, ...other.filter((c) => own.every((o) => overlap(o.band, c.band)))];
    if (!checks.some((c) => c.level === "must" || told.has(measure))) continue;
    const finding = lookAt(measure, average, checks, statureCm);
    if (finding) outside.push(finding);
    else inside.push(measure);
  }
  return {
    outside: outside.sort(
      (a, b) =>
        Number(b.sure) - Number(a.sure) ||
        PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase) ||
        b.farAs - a.farAs,
    ),
    inside,
  };
}

/**
 * A measure of own swings against some checks on it: null where it is neither above every upper
 * limit nor below every lower one. A drill that sets only the one says nothing about the other.
 */
export function lookAt(
  measure: MeasureId,
  average: Averaged,
  checks: readonly Check[],
  statureCm: number,
): Finding | null {
  for (const side of ["below", "above"] as const) {
    const [end, sign] = side === "below" ? ([0, 1] as const) : ([1, -1] as const);
    const off = checks.flatMap((c) => {
      const band = bandFor(c, statureCm);
      const limit = band[end];
      return limit === null ? [] : [{ c, band, limit, by: sign * (limit - average.mean) }];
    });
    if (!off.length) continue;
    const { c, band, limit, by } = off.reduce((a, b) => (b.by < a.by ? b : a));
    if (by <= 0) continue;
    const k = c.scales[end] ? statureCm / 178 : 1;
    // The fault may be named on the other side of the band: then its distance from the target
    // counts on this one.
    const fault = Math.sign(c.target - c.fault) === sign ? c.fault : 2 * c.target - c.fault;
    return {
      ...average,
      measure,
      band,
      side,
      phase: c.phase,
      farAs: by / Math.abs(k * fault - limit),
      sure: by > 2 * average.u,
      symptom: SYMPTOM_ROWS.find((s) => s.shownBy.includes(measure))?.id ?? null,
    };
  }
  return null;
}

/**
 * Which side should drive the way through, where the swings say it: hips that slide want the lead
 * side, weight that hangs back or hips that stall the trail side.
 */
function drives(outside: readonly Finding[]): Styles {
  const of = (id: MeasureId, side: Finding["side"]) =>
    outside.find((f) => f.measure === id && f.side === side && f.sure)?.farAs ?? 0;
  const slides = of("pelvisSlide", "above");
  const hangs = Math.max(of("leadShareImpact", "below"), of("peakPelvisTurnAt", "above"));
  if (slides === hangs) return {};
  return { drives: slides > hangs ? "lead clears" : "trail drives" };
}

/**
 * Drills for the findings: for the club first, then those that train the measure itself before
 * those of its complaint (the other side of a question is a remedy where nothing else trains it),
 * the golfer's side, the easier ones, in the complaint's order.
 */
function suggestions(outside: readonly Finding[], styles: Styles, club: Club): Suggestion[] {
  const out = new Map<string, Suggestion>();
  for (const finding of outside) {
    const rows = SYMPTOM_ROWS.filter((s) => s.shownBy.includes(finding.measure)).flatMap((s) =>
      drillsFor(s.id),
    );
    const own = DRILLS.filter((d) =>
      carriedChecks(d).some(
        (c) => c.measure === finding.measure && c.band[finding.side === "below" ? 0 : 1] !== null,
      ),
    );
    const rank = (d: Drill) => [
      (d.club ?? club) === club ? 0 : 1,
      own.includes(d) ? 0 : 1,
      opposed(d, styles).length,
      d.level,
      rows.includes(d) ? rows.indexOf(d) : rows.length,
    ];
    for (const drill of [...new Set([...rows, ...own])].sort(
      (a, b) =>
        rank(a)
          .map((x, i) => x - rank(b)[i]!)
          .find((x) => x !== 0) ?? 0,
    )) {
      const known = out.get(drill.id);
      if (known) known.because.push(finding);
      else out.set(drill.id, { drill, because: [finding], against: opposed(drill, styles) });
    }
  }
  return [...out.values()].filter((s) => s.because.some((f) => f.sure));
}
