/**
 * Accuracy against exact truth on the shipped clips: `npm run bench:accuracy [-- --check]`. With `--check` it only says
 * whether the promises of docs/accuracy.md hold, and leaves with 1 when they do not.
 */
import { analyse } from "../../src/core/analyse";
import { bandFor, findStage } from "../../src/core/drills";
import { CATALOGUE, MEASURE_IDS, type MeasureId } from "../../src/core/measures/catalogue";
import { mean } from "../../src/core/maths/stats";
import { truthClips, type TruthClip } from "../truthFile";
import { report } from "./report";

const check = process.argv.includes("--check");
const clips = truthClips();
const measures = new Map<MeasureId, { error: number; u: number }[]>();
const events = new Map<string, { error: number; u: number }[]>();
const feet: { error: number; u: number }[] = [];
const perDrill: Record<string, { clip: string; want: string; got: string; cue: string | null; wantCue: string | null }[]> = {};
const add = <K>(map: Map<K, { error: number; u: number }[]>, key: K, error: number, u: number) => map.set(key, [...(map.get(key) ?? []), { error, u }]);
let [agree, judged, falsePasses, faulty, goodCount, notJudgedGood, rightCue, cued, unexplained] = [0, 0, 0, 0, 0, 0, 0, 0, 0];

for (const { id, track, truth } of clips) {
  const golfer = { statureCm: truth.golfer.stature, hand: truth.golfer.hand };
  const [rep] = analyse(track, { golfer, drill: truth.drill }).reps;
  if (!rep) throw new Error(`${id}: no rep was found`);
  for (const m of MEASURE_IDS) {
    const exact = truth.measures[m];
    const got = rep.measures[m];
    if (exact !== undefined && got.value !== null && got.u !== null) add(measures, m, got.value - exact, got.u);
  }
  for (const [name, e] of Object.entries(rep.events)) if (truth.events[name] !== undefined) add(events, name, e.t - truth.events[name], e.u);
  for (const e of rep.footEvents) {
    const near = truth.footEvents.filter((x) => x.foot === e.foot && x.event === e.event).sort((a, b) => Math.abs(a.t - e.t) - Math.abs(b.t - e.t))[0];
    if (near) feet.push({ error: e.t - near.t, u: e.u });
  }
  if (truth.drill !== "none") verdictOf(id, truth, rep, golfer.statureCm);
}

/** What exact truth says of the rep (MOVEMENT, verdict rule 7), against what was said. */
function verdictOf(id: string, truth: TruthClip["truth"], rep: ReturnType<typeof analyse>["reps"][number], statureCm: number): void {
  const { stage } = findStage(truth.drill);
  const v = rep.verdict!;
  const musts = stage.checks.filter((c) => c.level === "must");
  const outside = (c: (typeof musts)[number]) => {
    const [lo, hi] = bandFor(c, statureCm);
    const exact = truth.measures[c.measure]!;
    return Math.max((lo ?? -Infinity) - exact, exact - (hi ?? Infinity));
  };
  const U = (c: (typeof musts)[number]) => 2 * (rep.measures[c.measure].u ?? Infinity);
  const broken = musts.filter((c) => outside(c) > 0);
  const want = broken.some((c) => outside(c) > U(c)) ? "fail" : musts.every((c) => -outside(c) > 2 * U(c)) ? "pass" : "near";
  const wantCue = broken.map((c) => c.id);
  (perDrill[truth.drill] ??= []).push({ clip: id, want, got: v.result, cue: v.cue?.id ?? null, wantCue: wantCue[0] ?? null });
  if (broken.length) {
    faulty++;
    if (v.result === "pass") falsePasses++;
    if (v.result === "fail") {
      cued++;
      if (wantCue.includes(v.cue!.id)) rightCue++;
    }
    if (v.result === "not judged" && want === "fail") unexplained++;
  } else {
    goodCount++;
    if (v.result === "not judged") notJudgedGood++;
  }
  if (v.result !== "not judged") {
    judged++;
    if ((v.result === "pass") === (broken.length === 0)) agree++;
  }
}

const rms = (x: { error: number }[]) => Math.sqrt(mean(x.map((e) => e.error ** 2)));
const figures = (x: { error: number; u: number }[]) => ({
  n: x.length, rms: round(rms(x)), bias: round(mean(x.map((e) => e.error))), u: round(mean(x.map((e) => e.u))),
  coverage: round(x.filter((e) => Math.abs(e.error) <= 2 * e.u).length / x.length),
});
const round = (v: number) => Math.round(v * 100) / 100;
const line = (name: string, unit: string, f: ReturnType<typeof figures>) => console.log(`${name.padEnd(24)} n ${String(f.n).padStart(2)}   rms ${f.rms.toFixed(1).padStart(7)} ${unit.padEnd(5)} bias ${f.bias.toFixed(1).padStart(7)}   u ${f.u.toFixed(1).padStart(6)}   within 2u ${(f.coverage * 100).toFixed(0)} %`);
const measureFigures = Object.fromEntries([...measures].map(([k, x]) => [k, figures(x)]));
const eventFigures = Object.fromEntries([...events].map(([k, x]) => [k, figures(x)]));
for (const [k, f] of Object.entries(measureFigures)) line(k, CATALOGUE[k as MeasureId].unit, f);
console.log();
for (const [k, f] of Object.entries(eventFigures)) line(k, "ms", f);
line("foot events", "ms", figures(feet));
const all = [...events.values()].flat().concat(feet);
console.log();
for (const [drill, reps] of Object.entries(perDrill)) for (const r of reps) console.log(`${drill}  ${r.clip.padEnd(26)} truth ${r.want.padEnd(5)} ${(r.wantCue ?? "").padEnd(12)} said ${r.got} ${r.cue ?? ""}`);
const eventRms = round(rms(all));
const swayRms = measureFigures.pelvisSway!.rms;
const leftPasses = Object.values(perDrill).flat().filter((r) => ["double-step-good", "double-step-left"].includes(r.clip)).every((r) => r.got === "pass");
const promises: [string, boolean][] = [
  ["the good and the left-handed clip pass", leftPasses],
  ["no fault passes", falsePasses === 0],
  [`at least three faults fail with their own cue (${rightCue} of ${faulty})`, rightCue >= 3],
  [`a faulty rep is not judged only where the truth lies within U (${unexplained} others)`, unexplained === 0],
  [`sway within 1.5 cm rms (${swayRms})`, swayRms <= 1.5],
  [`event times within 35 ms rms (${eventRms})`, eventRms <= 35],
];
console.log();
for (const [text, kept] of promises) console.log(`${kept ? "kept  " : "BROKEN"} ${text}`);
report("accuracy", {
  measures: measureFigures, events: eventFigures, footEvents: figures(feet), eventRmsMs: eventRms,
  verdictAgreement: judged ? round(agree / judged) : null, falsePasses, faultyReps: faulty, notJudgedGood, goodReps: goodCount,
  rightCue: cued ? round(rightCue / cued) : null, drills: Object.fromEntries(Object.entries(perDrill).map(([id, clips]) => [id, { clips }])),
}, !check);
if (promises.some(([, kept]) => !kept)) process.exitCode = 1;
