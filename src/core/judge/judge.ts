import { withId } from "../maths";
import {
  bandFor,
  type Check,
  decides,
  type FailWords,
  isJudged,
  PHASES,
  type RequiredAction,
  type Stage,
} from "../drills";
import { CATALOGUE, type MeasureId } from "../measures";
import type { Problem } from "../scene";
import type {
  ActionVerdict,
  CheckResult,
  CheckVerdict,
  Measured,
  Reason,
  Verdict,
} from "./verdict";

/** U = 2u: the interval that decides (about 95 %). */
const COVERAGE = 2;

/**
 * One check: the whole interval value ± 2u inside the band passes, wholly outside fails, else it is
 * too close to call.
 *
 * @example checkBand(3.2, 0.6, [null, 5]) // "pass"
 */
export function checkBand(
  value: number,
  u: number,
  band: readonly [number | null, number | null],
): CheckResult {
  const lo = band[0] ?? -Infinity;
  const hi = band[1] ?? Infinity;
  const [low, high] = [value - COVERAGE * u, value + COVERAGE * u];
  if (low >= lo && high <= hi) return "pass";
  if (high < lo || low > hi) return "fail";
  return "too close";
}

export interface JudgeInput {
  stage: Stage;
  statureCm: number;
  measures: Record<MeasureId, Measured>;
  actions: ActionVerdict[];
  problems: Problem[];
}

/**
 * The verdict on a rep (docs/movement.md, verdict rules 2–6): required actions first, then the
 * checks; one cue, that of the failed must or limit which comes first in the chain of causes.
 */
export function judge(input: JudgeInput): Verdict {
  const { stage, measures, actions } = input;
  const checks = stage.checks.map((c) => check(c, measures, input.statureCm));
  const verdict = (
    result: Verdict["result"],
    reason: Reason | null,
    cue: Verdict["cue"],
  ): Verdict => ({ result, reason, cue, actions, checks });

  const blocked = input.problems.find((p) => p.touches === "rep");
  if (blocked)
    return verdict(
      "not judged",
      { code: blocked.code, message: `${blocked.message} ${blocked.action}` },
      null,
    );

  // A fail needs something that was measured: where nothing was, the body was not followed.
  const followed = !checks.length || checks.some((c) => c.result !== "not measurable");
  for (const action of stage.actions) {
    const seen = withId(actions, action.id);
    if (seen.result === "missing" && followed)
      return verdict("fail", null, { id: action.id, words: action.cue });
  }
  const unseen = stage.actions.find((a) => withId(actions, a.id).result !== "done");

  const byPhase = [...stage.checks].sort(
    (a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase),
  );
  const resultOf = (c: Check) => withId(checks, c.id);
  const deciding = byPhase.filter(decides);
  const failed = deciding.find((c) => resultOf(c).result === "fail");
  if (failed) {
    return verdict("fail", null, { id: failed.id, words: failWords(failed, resultOf(failed)).cue });
  }
  if (unseen) return verdict("not judged", unseenReason(unseen, measures), null);
  if (!isJudged(stage))
    return verdict(
      "not judged",
      { code: "rehearsal", message: "This stage is a rehearsal: counted and shown, not judged." },
      null,
    );
  const open = deciding.filter((c) => resultOf(c).result !== "pass");
  const holding = open.filter((c) => c.level === "must" || (c.holds && toldOutside(resultOf(c))));
  const points = deciding.filter((c) => c.point);
  // Without its point a drill was not seen to be done, whatever else was.
  if (points.every((c) => open.includes(c)))
    holding.push(...points.filter((c) => !holding.includes(c)));
  if (holding.length === 0) return verdict("pass", notCovered(stage, open), null);
  const asked = deciding.filter((c) => c.level === "must" || holding.includes(c));
  return verdict("not judged", openReason(holding, asked.length, resultOf), null);
}

/** A limit that is more likely outside its band than inside, though not surely. */
const toldOutside = ({ result, value, band: [low, high] }: CheckVerdict): boolean =>
  result === "too close" && (value! < (low ?? -Infinity) || value! > (high ?? Infinity));

/**
 * What a failed check says, by the side of its band on which the value lies, or by what tells its
 * faults apart.
 */
export function failWords(
  { told, ...check }: Check,
  v: Pick<CheckVerdict, "band" | "value" | "told" | "earlier">,
): FailWords {
  if (told && (v.told ?? 0) >= 0) return told.plus;
  if (told?.earlier && v.earlier !== undefined)
    return v.earlier < 0 ? told.earlier.minus : told.earlier.plus;
  if (told) return told.minus;
  const low = v.band[0] !== null && v.value !== null && v.value < v.band[0];
  return ((low ? check.below : check.above) ?? check.below ?? check.above)!;
}

function check(c: Check, measures: JudgeInput["measures"], statureCm: number): CheckVerdict {
  const measured = measures[c.measure];
  const told = c.told && measures[c.told.by].value;
  const earlier = c.told?.earlier && measures[c.told.earlier.by];
  const band = bandFor(c, statureCm);
  const known = measured.state === "measured" && measured.value !== null && measured.u !== null;
  return {
    id: c.id,
    measure: c.measure,
    band,
    level: c.level,
    must: c.level === "must",
    result: known ? checkBand(measured.value!, measured.u!, band) : "not measurable",
    value: measured.value,
    u: measured.u,
    ...(typeof told === "number" ? { told } : {}),
    ...(earlier?.state === "measured" && Math.abs(earlier.value!) > COVERAGE * earlier.u!
      ? { earlier: earlier.value! }
      : {}),
  };
}

/** What a pass does not say: limits that stayed open, and what one phone never sees of the stage. */
function notCovered({ blind }: Stage, open: readonly Check[]): Reason | null {
  const names = [...open.map((c) => c.name), ...(blind ?? []).map((b) => b.name)];
  if (!names.length) return null;
  return {
    code: "notCovered",
    message: `This film can't tell: ${names.map((n) => n[0]!.toLowerCase() + n.slice(1)).join("; ")}.`,
  };
}

/** Why an action was not seen: of one that is told by a measure, how much of it was. */
function unseenReason({ name, need }: RequiredAction, measures: JudgeInput["measures"]): Reason {
  const told = need.kind === "measure" ? measures[need.measure].value : null;
  if (need.kind === "measure" && told !== null)
    return {
      code: "tooClose",
      message: `${name} too little to be told from this film: ${told.toFixed(0)} ${CATALOGUE[need.measure].unit}, from ${need.atLeast} on it counts. Do more of it.`,
    };
  return {
    code: "footNotSeen",
    message: `${name}: not clearly seen. Keep both feet in the picture, in good light.`,
  };
}

function openReason(open: Check[], musts: number, resultOf: (c: Check) => CheckVerdict): Reason {
  const first = open[0]!;
  const v = resultOf(first);
  if (v.result === "not measurable")
    return {
      code: "notMeasurable",
      message: `${first.name}: can't be measured in this clip. Film the whole swing, feet in the picture.`,
    };
  const close = `${first.name} is too close to call: ${tooClose(v)}.`;
  if (open.length === 1)
    return { code: "tooClose", message: `${musts - 1} of ${musts} passed. ${close}` };
  return {
    code: "tooClose",
    message: `${close} ${open.length - 1} more can't be told. Do another.`,
  };
}

/** How far from being decided: value, limit, and how sure the film is, with units. */
function tooClose(v: CheckVerdict): string {
  const { unit } = CATALOGUE[v.measure];
  const limit = v.band.reduce<number | null>(
    (best, b) =>
      b === null
        ? best
        : best === null || Math.abs(b - v.value!) < Math.abs(best - v.value!)
          ? b
          : best,
    null,
  )!;
  const show = (x: number) => (unit === "cm" ? x.toFixed(1) : x.toFixed(0));
  return `${show(v.value!)} ${unit}, the limit is ${show(limit)}, the film is sure to ${show(2 * v.u!)}`;
}
