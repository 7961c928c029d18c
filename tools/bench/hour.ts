/**
 * An hour hands free: `npm run bench:hour -- [--minutes N] [--check]` (after a build). The film of
 * a bout of ten stands in for the camera, again and again, before a stand-in network of 10 ms;
 * after each bout the golfer rests, then begins the next. Which reps are missed, doubled or made
 * up, and what memory the browser holds at the beginning and at the end. With `--check` a short
 * form: a film of one rep, whose track answers for the network, for two minutes; fails on any of
 * them.
 */
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { readTrack } from "../../src/core/formats/trackFile";
import { median } from "../../src/core/maths/stats";
import { openClipFile } from "../../src/vision/node/loadNode";
import {
  CALL_MS,
  FILM,
  ONE_REP,
  recordedBout,
  startBout,
  answersOf,
  answersByRep,
  truthOf,
} from "./live/bout";
import { looksOfTracks } from "../standIn/looksFile";
import { standIn } from "../standIn/standIn";
import { report } from "./report";
import { openSite } from "./site";

const { values } = parseArgs({
  options: {
    minutes: { type: "string", default: "60" },
    check: { type: "boolean", default: false },
  },
});
/**
 * A bout has so many reps; the golfer rests after each play of the film, when reps are sent and
 * looked at again, and presses for the next bout when they have rested so long.
 */
const form = values.check
  ? { film: ONE_REP.film, minutes: 2, reps: 4, restS: 4, pressedMs: 500 }
  : { film: FILM, minutes: Number(values.minutes), reps: 10, restS: 20, pressedMs: 12_000 };
const SAMPLED_MS = values.check ? 2000 : 10_000;
/**
 * Of the samples of memory, the first are the browser's own beginning, and as many after them as at
 * the end are compared.
 */
const SHARE = values.check ? 0.25 : 0.1;
const MOST_GROWN = 0.1;

const clip = await openClipFile(form.film);
const periodMs = (clip.frames / clip.fps + form.restS) * 1000;
clip.close();
const plays = Math.max(1, Math.round((form.minutes * 60_000) / periodMs));
const { base, dir, page, end } = await openSite("hour", 3181);

/** What all of the browser's processes hold, MB. */
const memoryMb = (): number =>
  execFileSync("ps", ["-eo", "rss=,args="], { encoding: "utf8", maxBuffer: 1 << 26 })
    .split("\n")
    .filter((l) => l.includes(dir))
    .reduce((sum, l) => sum + Number.parseInt(l, 10), 0) / 1024;

let failed = false;
try {
  const films = [`/samples/${form.film.split("/").at(-1)}`];
  await standIn(page, {
    live: {
      // The short form needs no recording of the network, which takes minutes to make.
      looks: values.check
        ? looksOfTracks([readTrack(readFileSync(ONE_REP.track))])
        : await recordedBout(),
      ms: CALL_MS,
      periodMs,
    },
    camera: { films, times: plays, waitS: 0, restS: form.restS },
  });
  await page.goto(`${base}/begin`);
  await page.getByRole("button", { name: "Try without a camera" }).click();
  await page.waitForURL(/sample=rep/);
  await startBout(page, base, form.reps);
  await page.evaluate((pressedMs) => {
    let since: number | null = null;
    setInterval(() => {
      const next = [...document.querySelectorAll("button")].find(
        (b) => b.textContent === "Start the next bout",
      );
      since = next ? (since ?? performance.now()) : null;
      if (next && performance.now() - since! > pressedMs) next.click();
    }, 200);
  }, form.pressedMs);
  const memory: number[] = [];
  for (const until = performance.now() + plays * periodMs + 4000; performance.now() < until;) {
    await page.waitForTimeout(SAMPLED_MS);
    memory.push(memoryMb());
    if (memory.length % 30 === 0)
      console.log(
        `${((memory.length * SAMPLED_MS) / 60_000).toFixed(0)} min: ${memory.at(-1).toFixed(0)} MB`,
      );
  }
  const answers = await answersOf(page);
  const truth = truthOf(form.film);
  const found = Array.from({ length: plays }, (_, k) =>
    answersByRep(answers, k * periodMs, truth).map((f) => f.length),
  ).flat();
  const which = found.flatMap((n, k) =>
    n === 1 ? [] : [`${Math.floor(k / truth.reps.length) + 1}.${(k % truth.reps.length) + 1}`],
  );
  const share = Math.max(1, Math.round(memory.length * SHARE));
  const [atFirst, atLast] = [median(memory.slice(share, 2 * share)), median(memory.slice(-share))];
  const grown = Math.round((atLast / atFirst - 1) * 1000) / 1000;
  const figures = {
    minutes: Math.round((plays * periodMs) / 6000) / 10,
    reps: found.length,
    missed: found.filter((n) => n === 0).length,
    doubled: found.filter((n) => n > 1).length,
    madeUp: answers.length - found.reduce((a, b) => a + b, 0),
    which,
    memoryMb: { atFirst: Math.round(atFirst), atLast: Math.round(atLast), grown },
  };
  console.log(
    `${figures.minutes} minutes, ${figures.reps} reps: ${figures.missed} missed, ` +
      `${figures.doubled} doubled, ${figures.madeUp} made ` +
      `up${which.length ? ` (bout and rep: ${which.join(", ")})` : ""}; memory ` +
      `${figures.memoryMb.atFirst} MB at first, ${figures.memoryMb.atLast} at last ` +
      `(${(100 * grown).toFixed(1)} %, ${100 * MOST_GROWN} at most)`,
  );
  failed = figures.missed + figures.doubled + figures.madeUp > 0 || grown > MOST_GROWN;
  if (!values.check) report("hour", figures);
} finally {
  await end();
}
process.exit(failed ? 1 : 0);
