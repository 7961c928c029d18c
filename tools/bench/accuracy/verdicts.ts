import { bandFor, findStage, type Stage } from "../../../src/core/drills";
import { margins } from "../../../src/core/drills/drillTruth";
import { judge } from "../../../src/core/judge/judge";
import type { Verdict } from "../../../src/core/judge/verdict";
import type { AnalysedRep } from "../../../src/core/analysis";
import { during } from "../../../src/core/scene/problems";
import { rulesOf, type ComparedClip } from "../../study/compare";
import { stageOf, TEST_CHECKS } from "../../study/testStages";
import type { TruthRep } from "../../study/truthClip";

/** What was said of reps whose truth is known (docs/movement.md, verdict rule 7). */
export interface Tally {
  good: number;
  faulty: number;
  near: number;
  falsePasses: number;
  falseFails: number;
  judged: number;
  agreed: number;
  goodNotJudged: number;
  reasons: Record<string, number>;
  wrong: string[];
}

export const tally = (): Tally => ({
  good: 0,
  faulty: 0,
  near: 0,
  falsePasses: 0,
  falseFails: 0,
  judged: 0,
  agreed: 0,
  goodNotJudged: 0,
  reasons: {},
  wrong: [],
});

/**
 * Counts one verdict. A rep is good when all musts lie inside by more than 2U and no limit is broken,
 * faulty when a must lies outside by more than U. One that breaks a limit alone is near: it may fail
 * with that limit's cue, or pass where the film can't tell.
 */
export function count(
  t: Tally,
  name: string,
  stage: Stage,
  statureCm: number,
  truth: TruthRep,
  rep: Pick<AnalysedRep, "measures">,
  verdict: Verdict,
): void {
  const musts = stage.checks.filter((c) => c.level === "must");
  const outside = musts.map((c) => {
    const [lo, hi] = bandFor(c, statureCm);
    const exact = truth.measures[c.measure];
    return exact === undefined
      ? stage.actions.length
        ? 0
        : NaN
      : Math.max((lo ?? -Infinity) - exact, exact - (hi ?? Infinity));
  });
  if (outside.some(Number.isNaN)) return;
  const U = musts.map((c) => 2 * (rep.measures[c.measure].u ?? Infinity));
  const broken = outside.some((o) => o > 0);
  const faulty = outside.some((o, i) => o > (Number.isFinite(U[i]!) ? U[i]! : 0));
  const inside = margins(stage, truth, statureCm);
  const limitBroken = stage.checks.some((c) => c.level === "limit" && inside.get(c.id)!.inside < 0);
  const good =
    !limitBroken && outside.every((o, i) => -o > 2 * (Number.isFinite(U[i]!) ? U[i]! : 0));
  if (faulty) t.faulty++;
  else if (good) t.good++;
  else t.near++;
  if (broken && verdict.result === "pass") {
    t.falsePasses++;
    t.wrong.push(`${name}: passed, ${describe(musts, outside)}`);
  }
  if (verdict.result === "not judged") {
    if (good) {
      t.goodNotJudged++;
      const code = verdict.reason!.code;
      t.reasons[code] = (t.reasons[code] ?? 0) + 1;
    }
    return;
  }
  if (!faulty && !good) return;
  t.judged++;
  if ((verdict.result === "pass") === good) t.agreed++;
  else if (good) {
    t.falseFails++;
    t.wrong.push(`${name}: failed, ${verdict.cue?.id}`);
  }
}

const describe = (musts: Stage["checks"][number][], outside: number[]) =>
  musts
    .filter((_, i) => outside[i]! > 0)
    .map((c, i) => `${c.measure} out by ${outside.filter((o) => o > 0)[i]!.toFixed(1)}`)
    .join(", ");

/** Every one-check stage on every rep of its kind and view. */
export function testStages(compared: readonly ComparedClip[], into: Tally): void {
  for (const { clip, analysis, found } of compared) {
    const rules = rulesOf(clip.truth);
    for (const c of TEST_CHECKS) {
      if (c.view !== clip.truth.view) continue;
      const stage = stageOf(c, rules);
      for (const { rep, truth } of found) {
        if (!c.kinds.includes(truth.kind) || truth.measures[c.measure] === undefined) continue;
        const verdict = judge({
          stage,
          statureCm: clip.truth.golfer.stature,
          measures: rep.measures,
          actions: [],
          problems: during(analysis.problems, rep.from, rep.to),
        });
        count(
          into,
          `${clip.id} ${c.measure}`,
          stage,
          clip.truth.golfer.stature,
          truth,
          rep,
          verdict,
        );
      }
    }
  }
}

/** The drills' own stages on their clips. */
export function drillStages(
  compared: readonly ComparedClip[],
  into: Tally,
): { clip: string; want: string; said: string; cue: string | null }[] {
  const lines: { clip: string; want: string; said: string; cue: string | null }[] = [];
  for (const { clip, found } of compared) {
    if (clip.truth.drill === "none") continue;
    const { stage } = findStage(clip.truth.drill);
    for (const { rep, truth } of found) {
      count(into, clip.id, stage, clip.truth.golfer.stature, truth, rep, rep.verdict!);
      const broken = stage.checks
        .filter((c) => c.level === "must")
        .filter((c) => {
          const [lo, hi] = bandFor(c, clip.truth.golfer.stature);
          const v = truth.measures[c.measure]!;
          return v < (lo ?? -Infinity) || v > (hi ?? Infinity);
        })
        .map((c) => c.id);
      lines.push({
        clip: clip.id,
        want: broken.length ? broken.join(" ") : "good",
        said:
          rep.verdict!.result === "not judged"
            ? `not judged (${rep.verdict!.reason!.code})`
            : rep.verdict!.result,
        cue: rep.verdict!.cue?.id ?? null,
      });
    }
  }
  return lines;
}
