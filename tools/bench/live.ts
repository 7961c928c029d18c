/**
 * Hands free: `npm run bench:live` (after a build). The film of a bout of ten stands in for the
 * camera, picture by picture at 60 a second. Before the real network, before a stand-in that takes
 * 10 ms a call, and before the bare network with the same camera and encoder: how long after its
 * deciding instant each rep is answered, which are missed or made up, what is said of them against
 * the truth, the network's calls, the page's tasks, and the interface time from nothing to the
 * first verdict (3 s for each step of a person, and every wait).
 */
import path from "node:path";
import { gzipSync } from "node:zlib";
import type { Page } from "@playwright/test";
import { mean, quantile } from "../../src/core/maths/stats";
import {
  CALL_MS,
  FILM,
  recordedBout,
  startBout,
  answersOf,
  answersByRep,
  truth,
  type LiveAnswer,
} from "./live/bout";
import { counted, standIn, type NetworkStandIn } from "../standIn/standIn";
import { report } from "./report";
import { openSite } from "./site";

const STEP_S = 3;
/** The check that the script of each rep fails (tools/clips/boutSet.ts). */
const WANTED = [
  null,
  "lead-down",
  null,
  null,
  "small-step",
  null,
  null,
  "foot-first",
  null,
  null,
].map((cue) => ({ cue, result: cue ? "fail" : "pass" }));

/**
 * The network's calls are counted over this long, from when it has begun, ms; those of the bare
 * network for half as long before and after.
 */
const COUNTED_MS = 60_000;
const BEGUN_MS = 5000;

interface Ran {
  answers: LiveAnswer[];
  /** The same after the closer looks. */
  closer: LiveAnswer[];
  /** Calls of the network a second. */
  callsPerS: number;
  /** Tasks of the page over 50 ms, ms. */
  tasks: number[];
}

const { base, context, end } = await openSite("live", 3180);
/**
 * A camera that gives fewer pictures a second than this stands still: nothing that runs beside it
 * says anything.
 */
const LEAST_PICTURES_PER_S = 30;

const ONCE = { times: 1, waitS: 0, restS: 0 };

/** Notes the page's tasks of over 50 ms. */
const watchTasks = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    window.tasks = [];
    new PerformanceObserver((list) =>
      window.tasks.push(...list.getEntries().map((e) => e.duration)),
    ).observe({ type: "longtask", buffered: true });
  });

/** The bout from the press that starts it to the film's end. */
async function bout(live: NetworkStandIn, countedMs = COUNTED_MS): Promise<Ran> {
  const page = await context.newPage();
  await watchTasks(page);
  await standIn(page, { live, camera: { films: [`/samples/${path.basename(FILM)}`], ...ONCE } });
  await startBout(page, base);
  await page.waitForTimeout(BEGUN_MS);
  const calls = () => counted(page, "calls");
  const pictures = () => counted(page, "pictures");
  const [before, taken, began] = [await calls(), await pictures(), performance.now()];
  await page.waitForTimeout(countedMs);
  const seconds = (performance.now() - began) / 1000;
  const callsPerS = ((await calls()) - before) / seconds;
  if (((await pictures()) - taken) / seconds < LEAST_PICTURES_PER_S)
    throw new Error("the camera stood still");
  if (live !== "bare")
    await page.waitForTimeout(truth.reps.at(-1).to + 6000 - BEGUN_MS - COUNTED_MS);
  const answers = await answersOf(page);
  const again = live === "counted" ? await closer(page) : [];
  const tasks = await page.evaluate(() => window.tasks);
  await page.close();
  return {
    answers,
    closer: answers.map((a) => ({ ...a, ...again.find((b) => b.id === a.id) })),
    callsPerS,
    tasks,
  };
}

/** What the closer looks after the bout say, when there are no more. */
async function closer(page: Page): Promise<Pick<LiveAnswer, "id" | "result" | "cue">[]> {
  const end = page.getByRole("button", { name: "Controls" });
  // A bout of which a rep was missed is not done by itself.
  if (await end.isVisible()) {
    await end.click();
    await page.getByRole("menuitem", { name: "End the bout" }).click();
  }
  await page.waitForTimeout(1000);
  await page.locator("progress").waitFor({ state: "detached", timeout: 600_000 });
  return page.evaluate(() =>
    performance
      .getEntriesByName("kingfisher:again")
      .map((e) => (e as PerformanceMark).detail as Pick<LiveAnswer, "id" | "result" | "cue">),
  );
}

/** What came of the reps. */
function judged(answers: readonly LiveAnswer[]) {
  const found = answersByRep(answers);
  const said = found.map((f, k) => ({ wanted: WANTED[k]!, told: f[0] }));
  const same = (s: (typeof said)[number]) =>
    s.told?.result === s.wanted.result && s.told.cue === s.wanted.cue;
  const delays = answers.flatMap((a) => a.delayMs ?? []);
  return {
    missed: found.filter((f) => !f.length).length,
    which: found.flatMap((f, k) => (f.length ? [] : [k + 1])),
    doubled: found.filter((f) => f.length > 1).length,
    madeUp: answers.length - found.flat().length,
    asTheTruth: said.filter(same).length,
    notJudged: said.filter((s) => s.told?.result === "not judged").length,
    against: said.filter((s) => s.told && s.told.result !== "not judged" && !same(s)).length,
    p50: Math.round(quantile(delays, 0.5)),
    p95: Math.round(quantile(delays, 0.95)),
  };
}

/** From the first page to the first verdict, s of interface time, and its steps. */
async function firstVerdict(): Promise<{ firstVerdictS: number; steps: number }> {
  const page = await context.newPage();
  await watchTasks(page);
  await page.goto(`${base}/begin`);
  const began = performance.now();
  let steps = 0;
  const press = async (
    role: "button" | "link" | "radio",
    name: string | RegExp,
    within?: string,
  ) => {
    steps++;
    await (within ? page.getByRole("radiogroup", { name: within }) : page)
      .getByRole(role, { name, exact: typeof name === "string" })
      .first()
      .click();
  };
  await press("button", "Try without a camera");
  await page.waitForURL(/sample=rep/);
  await press("link", "Drills");
  await page.getByRole("searchbox").fill("double step");
  steps++;
  await press("link", /^Double step/);
  await press("link", "Begin");
  for (const [question, answer] of [
    ["Does anything hurt now?", "No"],
    ["A recent injury or operation, or dizziness?", "No"],
    ["Can you stand on each leg for ten seconds?", "Yes"],
    ["Are floor and shoes dry, and do they grip?", "Yes"],
    ["Is there room for the whole club, above and behind, and nobody in it?", "Yes"],
  ] as const)
    await press("radio", answer, question);
  await press("button", "Go on");
  await press("button", "Try without a camera");
  while (!(await answersOf(page)).length) await page.waitForTimeout(250);
  const firstVerdictS = Math.round((performance.now() - began) / 1000 + STEP_S * steps);
  await page.close();
  return { firstVerdictS, steps };
}

/** Script that the page that films loads, without what its workers load, kB gzipped. */
async function pageScript(): Promise<number> {
  const sizes: Promise<number>[] = [];
  const one = await context.newPage();
  one.on("response", (r) => {
    if (r.request().resourceType() === "script" && r.url().includes("/_next/"))
      sizes.push(
        r.body().then(
          (b) => gzipSync(b).length,
          () => 0,
        ),
      );
  });
  await one.goto(`${base}/film?drill=double-step`, { waitUntil: "networkidle" });
  const all = (await Promise.all(sizes)).reduce((sum, n) => sum + n, 0);
  await one.close();
  return Math.round(all / 1024);
}

const say = (name: string, j: ReturnType<typeof judged>) =>
  console.log(
    `${name}: ${j.missed} missed${j.which.length ? ` (${j.which.join(", ")})` : ""}, ` +
      `${j.doubled} doubled, ${j.madeUp} made up; ${j.asTheTruth} of ${truth.reps.length} ` +
      `told as the truth, ${j.notJudged} not judged, ${j.against} against it; answered ` +
      `${j.p50} ms after the deciding instant (95 %: ${j.p95})`,
  );
try {
  const first = await firstVerdict();
  const scriptKb = await pageScript();
  // A shared machine is not as quick at all times.
  const bare = [await bout("bare", COUNTED_MS / 2)];
  const real = await bout("counted");
  bare.push(await bout("bare", COUNTED_MS / 2));
  const standIn = await bout({ looks: await recordedBout(), ms: CALL_MS });
  const bareCallsPerS = mean(bare.map((r) => r.callsPerS));
  const [a, b, c] = [judged(real.answers), judged(standIn.answers), judged(real.closer)];
  say("real network", a);
  say(`stand-in, ${CALL_MS} ms a call`, b);
  console.log(
    `after a closer look at each film: ${c.asTheTruth} of ${truth.reps.length} as the ` +
      `truth, ${c.notJudged} not judged, ${c.against} against it`,
  );
  const tasks = [...real.tasks, ...standIn.tasks];
  const figures = {
    reps: truth.reps.length,
    verdictP50Ms: a.p50,
    verdictP95Ms: a.p95,
    standInVerdictP50Ms: b.p50,
    standInVerdictP95Ms: b.p95,
    networkUse: Math.round((real.callsPerS / bareCallsPerS) * 100) / 100,
    callsPerS: Math.round(real.callsPerS * 10) / 10,
    bareCallsPerS: Math.round(bareCallsPerS * 10) / 10,
    longestTaskMs: Math.round(Math.max(0, ...tasks)),
    longTasks: tasks.length,
    missed: a.missed + b.missed,
    doubled: a.doubled + b.doubled,
    madeUp: a.madeUp + b.madeUp,
    real: a,
    standIn: b,
    closer: { asTheTruth: c.asTheTruth, notJudged: c.notJudged, against: c.against },
    scriptKb,
    ...first,
  };
  console.log(
    `the network is called ${figures.callsPerS} times a second, alone with camera and ` +
      `encoder ${figures.bareCallsPerS}: ${figures.networkUse} (0.95 at least); ` +
      `${figures.longTasks} tasks of the page over 50 ms, the longest ` +
      `${figures.longestTaskMs}; first verdict ${first.firstVerdictS} s (180 at most) in ` +
      `${first.steps} steps`,
  );
  console.log(`the page that films is usable with ${scriptKb} kB of script (250 at most)`);
  report("live", figures);
  console.log(JSON.stringify(figures));
} finally {
  await end();
}
process.exit(0);
