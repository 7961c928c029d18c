/**
 * Reading less: `npm run bench:anytime`. Every clip of the reported study is read by the plan, on
 * its kept track, and judged beside the same track read whole: looks of the network against the
 * frames of the reps, verdicts that differ, and values that differ by more than U. Clips of no
 * drill are read for all their measures.
 */
import { analyse, middleMs, type AnalyseOptions, type Analysis } from "../../src/core/analysis";
import { median } from "../../src/core/maths/stats";
import { askedBy, askedFor } from "../../src/vision/anytime/asked";
import { COARSE_MS } from "../../src/vision/read/coarseLook";
import { rulesOf } from "../study/compare";
import { readByPlan } from "../study/partly";
import { truthClips } from "../study/truthClip";
import { report } from "./report";

/** Frames of a rep: from this long before its address to this long after its finish, ms. */
const ROUND_REP_MS = 500;
/** The coarse look's runs to find the golfer, beside one in `COARSE_MS`. */
const COARSE_MORE = 2;

const swings = truthClips("tools/study/kept/report").filter((c) =>
  ["swing", "step-swing"].includes(c.truth.reps[0]!.kind),
);
const tally = {
  reps: 0,
  lost: 0,
  contradicted: 0,
  notJudgedLess: 0,
  notJudgedMore: 0,
  values: 0,
  outside: 0,
};
const outside = new Map<string, number>();
const ratios: Record<"drill" | "everything", { looks: number; withCoarse: number }[]> = {
  drill: [],
  everything: [],
};

for (const clip of swings) {
  const { truth } = clip;
  const track = clip.track();
  const faceOn = truth.view === "face-on";
  const options: AnalyseOptions = {
    golfer: { statureCm: truth.golfer.stature, hand: truth.golfer.hand },
    drill: truth.drill,
    view: truth.view,
    rules: rulesOf(truth),
  };
  const whole = analyse(track, options);
  const drill = truth.drill !== "none";
  const less = await readByPlan(track, askedBy(options) ?? askedFor("everything", options), faceOn);
  compareReps(whole, analyse(less.track, options));
  const inReps = track.times.filter((t) =>
    whole.reps.some(
      (r) =>
        t >= (r.events.address?.t ?? r.from) - ROUND_REP_MS &&
        t <= (r.events.finish?.t ?? r.to) + ROUND_REP_MS,
    ),
  ).length;
  if (!inReps || truth.reps.length > 1) continue;
  const coarse = track.video.durationMs / COARSE_MS + COARSE_MORE;
  ratios[drill ? "drill" : "everything"].push({
    looks: less.runs / inReps,
    withCoarse: (less.runs + coarse) / inReps,
  });
}

function compareReps(whole: Analysis, less: Analysis): void {
  for (const rep of whole.reps) {
    tally.reps++;
    const other = less.reps.find((r) => Math.abs(middleMs(r) - middleMs(rep)) < 300);
    if (!other) {
      tally.lost++;
      continue;
    }
    const [a, b] = [rep.verdict?.result, other.verdict?.result];
    if (a !== b) {
      if (a === "not judged") tally.notJudgedMore++;
      else if (b === "not judged") tally.notJudgedLess++;
      else tally.contradicted++;
    }
    for (const [id, m] of Object.entries(rep.measures)) {
      const n = other.measures[id as keyof typeof other.measures];
      if (m.value === null || m.u === null || n.value === null || n.u === null) continue;
      tally.values++;
      if (Math.abs(n.value - m.value) <= 2 * Math.max(m.u, n.u)) continue;
      tally.outside++;
      outside.set(id, (outside.get(id) ?? 0) + 1);
    }
  }
}

const round = (v: number) => Math.round(v * 100) / 100;
const middleOf = (list: { looks: number; withCoarse: number }[]) => ({
  n: list.length,
  looksOverRepFrames: round(median(list.map((r) => r.looks))),
  withCoarseLook: round(median(list.map((r) => r.withCoarse))),
  worst: round(Math.max(...list.map((r) => r.withCoarse))),
});
const figures = {
  ...tally,
  drill: middleOf(ratios.drill),
  everything: middleOf(ratios.everything),
  outsideMost: [...outside].sort((a, b) => b[1] - a[1]).slice(0, 8),
};
console.log(
  `${swings.length} clips, ${tally.reps} reps, ${tally.lost} not found; verdicts ` +
    `contradicted ${tally.contradicted}, judged only whole ${tally.notJudgedLess}, ` +
    `judged only in part ${tally.notJudgedMore}`,
);
console.log(
  `values outside U: ${tally.outside} of ${tally.values} ` +
    `${figures.outsideMost.map(([id, n]) => `${id} ${n}`).join(", ")}`,
);
for (const name of ["drill", "everything"] as const)
  console.log(
    `${name}: looks ÷ frames of the rep ${figures[name].looksOverRepFrames} (with the ` +
      `coarse look ${figures[name].withCoarseLook}, worst ${figures[name].worst}), n ` +
      `${figures[name].n}`,
  );
report("anytime", figures);
if (tally.contradicted) process.exitCode = 1;
