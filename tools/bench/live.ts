/**
 * Hands free: `npm run bench:live` (after a build). The film of a bout of ten stands in for the camera, picture by picture at 60 a
 * second, before the real network: how long after its deciding instant each rep is answered, which are missed or made up, what
 * is said of them against the truth, the page's longest tasks, and the interface time from nothing to the
 * first verdict (3 s for each step of a person, and every wait).
 */
import { readFileSync } from "node:fs";
import { quantile } from "../../src/core/maths/stats";
import type { Truth } from "../study/truthClip";
import { report } from "./report";
import { openSite } from "./site";

const STEP_S = 3;
/** A rep that is told belongs to a true one when their tops are nearer than this, ms. */
const SAME_MS = 400;
const truth = JSON.parse(readFileSync("demo/clips/double-step-bout.json", "utf8")) as Truth;
/** The check that the script of each rep fails (tools/clips/boutSet.ts). */
const WANTED = [null, "lead-down", null, null, "small-step", null, null, "foot-first", null, null].map((cue) => ({ cue, result: cue ? "fail" : "pass" }));

interface Told {
  about: number;
  result: string;
  cue: string | null;
  delayMs: number | null;
}

const { base, page, end } = await openSite("live", 3180);
try {
  await page.addInitScript(() => {
    const w = window as unknown as { tasks: number[] };
    w.tasks = [];
    new PerformanceObserver((list) => w.tasks.push(...list.getEntries().map((e) => e.duration))).observe({ type: "longtask", buffered: true });
  });
  await page.goto(`${base}/begin`);
  const began = performance.now();
  let steps = 0;
  const press = async (role: "button" | "link" | "radio", name: string | RegExp, within?: string) => {
    steps++;
    await (within ? page.getByRole("radiogroup", { name: within }) : page).getByRole(role, { name, exact: typeof name === "string" }).first().click();
  };
  await press("button", "Try without a camera");
  await page.waitForURL(/sample=rep/);
  await press("link", "Drills");
  await page.getByRole("searchbox").fill("double step");
  steps++;
  await press("link", /^Double step/);
  await press("link", "Begin");
  for (const [question, answer] of [["Does anything hurt now?", "No"], ["A recent injury or operation, or dizziness?", "No"], ["Can you stand on each leg for ten seconds?", "Yes"], ["Are floor and shoes dry, and do they grip?", "Yes"], ["Is there room for the whole club, above and behind, and nobody in it?", "Yes"]] as const) await press("radio", answer, question);
  await press("button", "Go on");
  await page.waitForURL(/\/film/);
  await page.goto(`${base}/film?drill=double-step&reps=10`);
  await press("button", "Try without a camera");
  const told = () => page.evaluate(() => performance.getEntriesByName("kingfisher:answer").map((e) => (e as PerformanceMark).detail as Told));
  while (!(await told()).length) await page.waitForTimeout(250);
  const firstS = (performance.now() - began) / 1000 + STEP_S * steps;
  await page.waitForTimeout(truth.reps.at(-1)!.to + 6000 - 15_000);
  const answers = await told();
  const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
  const found = truth.reps.map((r) => answers.filter((a) => Math.abs(a.about - r.events.top!) < SAME_MS));
  const delays = answers.flatMap((a) => a.delayMs ?? []);
  const said = found.map((f, k) => ({ wanted: WANTED[k]!, told: f[0] }));
  const figures = {
    reps: truth.reps.length, missed: found.filter((f) => !f.length).length, doubled: found.filter((f) => f.length > 1).length, madeUp: answers.length - found.flat().length,
    asTheTruth: said.filter((s) => s.told && s.told.result === s.wanted.result && s.told.cue === s.wanted.cue).length, notJudged: said.filter((s) => s.told?.result === "not judged").length,
    against: said.filter((s) => s.told && s.told.result !== "not judged" && (s.told.result !== s.wanted.result || s.told.cue !== s.wanted.cue)).length,
    verdictP50Ms: Math.round(quantile(delays, 0.5)), verdictP95Ms: Math.round(quantile(delays, 0.95)), firstVerdictS: Math.round(firstS), steps,
    longestTaskMs: Math.round(Math.max(0, ...tasks)), longTasks: tasks.length,
  };
  console.log(`${figures.reps} reps: ${figures.missed} missed, ${figures.doubled} doubled, ${figures.madeUp} made up; ${figures.asTheTruth} told as the truth, ${figures.notJudged} not judged, ${figures.against} against it`);
  console.log(`answered ${figures.verdictP50Ms} ms after the deciding instant (95 %: ${figures.verdictP95Ms}); first verdict ${figures.firstVerdictS} s (180 at most) in ${steps} steps; ${tasks.length} tasks over 50 ms, the longest ${figures.longestTaskMs}`);
  report("live", figures);
  console.log(JSON.stringify(figures));
} finally {
  await end();
}
process.exit(0);
