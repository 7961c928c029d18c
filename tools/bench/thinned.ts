/**
 * Does a slow device say what is not so? `npm run bench:thinned [-- --drill ID]`. Every filmed clip
 * of the drills is seen as a camera sees it that looks 5, 8, 12 and 20 times a second; what the
 * network says of each look was recorded. It prints the reps that were answered, what was not
 * judged, and every fail that the truth contradicts; one of these ends it with 1.
 */
import { parseArgs } from "node:util";
import { middleMs, type AnalysedRep } from "../../src/core/analysis";
import { findStage, type Stage } from "../../src/core/drills";
import { done, margins } from "../../src/core/drills/drillTruth";
import { rulesOf } from "../study/compare";
import { truthClips, type TruthClip, type TruthRep } from "../study/truthClip";
import { watchedLive } from "../study/watchedLive";
import { inParts } from "./inParts";
import { report } from "./report";

const RATES = [5, 8, 12, 20] as const;
const SEED = 50_000;

interface Row {
  clip: string;
  looksPerS: number;
  reps: number;
  answered: number;
  passed: number;
  failed: number;
  notJudged: number;
  /** Fails and passes that the truth contradicts, with what was said. */
  falseFails: string[];
  falsePasses: string[];
  madeUp: string[];
}

const { values } = parseArgs({
  options: { drill: { type: "string" } },
});
const clips = truthClips("tools/study/kept/drills").filter(
  (c) => values.drill === undefined || c.truth.drill === values.drill,
);

/** What was truly done wrong by a rep's checks and actions, by their ids. */
function wrongIn(stage: Stage, truth: TruthRep, statureCm: number): Set<string> {
  const inside = margins(stage, truth, statureCm);
  const outside = stage.checks.filter((c) => inside.get(c.id)!.inside < 0);
  const missing = stage.actions.filter((a) => !done(a.need, truth));
  return new Set([...outside, ...missing].map((c) => c.id));
}

async function seen(clip: TruthClip, looksPerS: number, seed: number): Promise<Row> {
  const { truth } = clip;
  const { stage } = findStage(truth.drill, truth.stage);
  const reps = await watchedLive(
    clip.track(),
    stage,
    {
      golfer: { statureCm: truth.golfer.stature, hand: truth.golfer.hand },
      drill: truth.drill,
      ...(truth.stage ? { stage: truth.stage } : {}),
      view: truth.view,
      rules: rulesOf(truth),
    },
    looksPerS,
    seed,
  );
  const row: Row = {
    clip: clip.id,
    looksPerS,
    reps: truth.reps.length,
    answered: 0,
    passed: 0,
    failed: 0,
    notJudged: 0,
    falseFails: [],
    falsePasses: [],
    madeUp: [],
  };
  for (const rep of reps) count(row, stage, truthOf(truth.reps, rep), truth.golfer.stature, rep);
  return row;
}

const truthOf = (truths: readonly TruthRep[], rep: AnalysedRep) =>
  truths.find((t) => middleMs(rep) > t.from - 100 && middleMs(rep) < t.to + 100);

function count(
  row: Row,
  stage: Stage,
  truth: TruthRep | undefined,
  statureCm: number,
  rep: AnalysedRep,
): void {
  const { result, cue } = rep.verdict!;
  const said = `${row.clip} at ${row.looksPerS}: ${result} ${cue?.id ?? ""}`.trim();
  if (!truth) {
    row.madeUp.push(said);
    return;
  }
  row.answered++;
  if (result === "not judged") row.notJudged++;
  const wrong = wrongIn(stage, truth, statureCm);
  if (result === "pass") {
    row.passed++;
    const musts = stage.checks.filter((c) => c.level === "must" && wrong.has(c.id));
    if (musts.length || stage.actions.some((a) => wrong.has(a.id)))
      row.falsePasses.push(`${said}, wrong: ${[...wrong].join(" ")}`);
  }
  if (result === "fail") {
    row.failed++;
    if (!wrong.has(cue!.id))
      row.falseFails.push(`${said}, wrong: ${[...wrong].join(" ") || "nothing"}`);
  }
}

const rows = await inParts(clips, (clip, i) =>
  Promise.all(RATES.map((looksPerS, k) => seen(clip, looksPerS, SEED + i * RATES.length + k))),
);
if (rows) tell(rows.flat());

function tell(rows: readonly Row[]): void {
  const figures = RATES.map((looksPerS) => {
    const at = rows.filter((r) => r.looksPerS === looksPerS);
    const sum = (of: (r: Row) => number) => at.reduce((s, r) => s + of(r), 0);
    return {
      looksPerS,
      reps: sum((r) => r.reps),
      answered: sum((r) => r.answered),
      passed: sum((r) => r.passed),
      failed: sum((r) => r.failed),
      notJudged: sum((r) => r.notJudged),
      madeUp: at.flatMap((r) => r.madeUp),
      falseFails: at.flatMap((r) => r.falseFails),
      falsePasses: at.flatMap((r) => r.falsePasses),
    };
  });
  for (const f of figures) {
    console.log(
      `${f.looksPerS} looks a second: ${f.answered} of ${f.reps} reps answered; ${f.passed} passed, ` +
        `${f.failed} failed, ${f.notJudged} not judged ` +
        `(${((100 * f.notJudged) / Math.max(1, f.answered)).toFixed(0)} %); made up ${f.madeUp.length}, ` +
        `fails that the truth contradicts ${f.falseFails.length}, passes ${f.falsePasses.length}`,
    );
    for (const line of [...f.madeUp, ...f.falseFails, ...f.falsePasses]) console.log(`  ${line}`);
  }
  if (values.drill === undefined) report("thinned", { clips: clips.length, rates: figures });
  if (figures.some((f) => f.falseFails.length + f.falsePasses.length)) process.exitCode = 1;
}
