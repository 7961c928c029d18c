/**
 * An hour hands free: `npm run bench:hour -- [--minutes N]` (after a build). The film of a bout of ten stands in for the camera,
 * again and again, before a stand-in network of 10 ms; each bout that is done is followed by the next. Which reps are missed,
 * doubled or made up, and what memory the browser holds at the beginning and at the end.
 */
import { execFileSync } from "node:child_process";
import { parseArgs } from "node:util";
import { median } from "../../src/core/maths/stats";
import { openClipFile } from "../../src/vision/node/loadNode";
import { FILM, serveLooks, STAND_IN, startBout, told, toldOf } from "./live/bout";
import { report } from "./report";
import { openSite } from "./site";

const { values } = parseArgs({ options: { minutes: { type: "string", default: "60" } } });
const SAMPLED_MS = 10_000;
/** Of the samples of memory, the first are the browser's own beginning, and as many after them as at the end are compared. */
const SHARE = 0.1;

const clip = await openClipFile(FILM);
const periodMs = (clip.frames / clip.fps) * 1000;
clip.close();
const plays = Math.max(1, Math.round((Number(values.minutes) * 60_000) / periodMs));
const { base, dir, page, end } = await openSite("hour", 3181);

/** What all of the browser's processes hold, MB. */
const memoryMb = (): number => execFileSync("ps", ["-eo", "rss=,args="], { encoding: "utf8", maxBuffer: 1 << 26 }).split("\n").filter((l) => l.includes(dir)).reduce((sum, l) => sum + Number.parseInt(l, 10), 0) / 1024;

try {
  await serveLooks(page);
  await page.goto(`${base}/begin`);
  await page.getByRole("button", { name: "Try without a camera" }).click();
  await page.waitForURL(/sample=rep/);
  await startBout(page, base, `{ bench: ${STAND_IN}, plays: ${plays} }`);
  // The next bout begins as soon as one is done.
  await page.evaluate(() => void setInterval(() => [...document.querySelectorAll("button")].find((b) => b.textContent === "Start the next bout")?.click(), 200));
  const memory: number[] = [];
  for (const until = performance.now() + plays * periodMs + 4000; performance.now() < until; ) {
    await page.waitForTimeout(SAMPLED_MS);
    memory.push(memoryMb());
    if (memory.length % 30 === 0) console.log(`${((memory.length * SAMPLED_MS) / 60_000).toFixed(0)} min: ${memory.at(-1)!.toFixed(0)} MB`);
  }
  const answers = await told(page);
  const found = Array.from({ length: plays }, (_, k) => toldOf(answers, k * periodMs).map((f) => f.length)).flat();
  const share = Math.max(1, Math.round(memory.length * SHARE));
  const [atFirst, atLast] = [median(memory.slice(share, 2 * share)), median(memory.slice(-share))];
  const figures = {
    minutes: Math.round((plays * periodMs) / 6000) / 10, reps: found.length, missed: found.filter((n) => n === 0).length, doubled: found.filter((n) => n > 1).length, madeUp: answers.length - found.reduce((a, b) => a + b, 0),
    memoryMb: { atFirst: Math.round(atFirst), atLast: Math.round(atLast), grown: Math.round((atLast / atFirst - 1) * 1000) / 1000 },
  };
  console.log(`${figures.minutes} minutes, ${figures.reps} reps: ${figures.missed} missed, ${figures.doubled} doubled, ${figures.madeUp} made up; memory ${figures.memoryMb.atFirst} MB at first, ${figures.memoryMb.atLast} at last (${(100 * figures.memoryMb.grown).toFixed(1)} %, 10 at most)`);
  report("hour", figures);
} finally {
  await end();
}
process.exit(0);
