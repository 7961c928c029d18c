/**
 * Choosing: `npm run bench:choose` (after a build). The interface time from nothing to the made-up
 * golfer's first verdict, and on to her first drill after five swings (3 s for each step of a
 * person, and every wait that the program imposes); how soon the library can be used, and how soon
 * a key in its search is answered; and whether a drill's figure plays at the screen's rate.
 */
import type { Page } from "@playwright/test";
import { quantile } from "../../src/core/maths/stats";
import { report } from "./report";
import { openSite } from "./site";

const STEP_S = 3;
const round = (v: number, by = 10) => Math.round(v * by) / by;
const { base, page, end } = await openSite("choose", 3179);

/** Steps and waits so far, s. */
let [steps, waited] = [0, 0];
/** One step of a person, and the wait for what it brings. */
async function step(act: () => Promise<void>, until: () => Promise<void>): Promise<void> {
  steps++;
  const began = performance.now();
  await act();
  await until();
  waited += (performance.now() - began) / 1000;
}
const interfaceS = () => STEP_S * steps + waited;

/** From a key to the next picture of the page, ms, for each letter of some words. */
async function keys(words: string): Promise<number[]> {
  await page.evaluate(() => {
    window.took = [];
    document.addEventListener(
      "keydown",
      () => {
        const began = performance.now();
        requestAnimationFrame(() => setTimeout(() => window.took.push(performance.now() - began)));
      },
      { capture: true },
    );
  });
  await page.getByRole("searchbox").focus();
  await page.keyboard.type(words, { delay: 120 });
  await page.waitForTimeout(300);
  return page.evaluate(() => window.took);
}

/** From the page's last byte to the moment it can be used, ms. */
const usable = async (on: Page): Promise<number> => {
  await on.goto(`${base}/drills`, { waitUntil: "load" });
  await on.waitForFunction(() => performance.getEntriesByName("usable").length > 0);
  return on.evaluate(
    () =>
      performance.getEntriesByName("usable")[0]!.startTime -
      (performance.getEntriesByType("navigation")[0] as PerformanceNavigationTiming).responseEnd,
  );
};

/** Pictures a second that the page paints while nothing plays, and while the figure does. */
const frames = async (on: Page): Promise<number> => {
  const began = await on.evaluate<number>(
    "window.painted ??= (requestAnimationFrame(function next(now) { painted.push(now); " +
      "requestAnimationFrame(next); }), []), painted.length = 0, performance.now()",
  );
  await on.waitForTimeout(3000);
  const times = await on.evaluate<number[]>("painted.splice(0)");
  return ((times.length - 1) * 1000) / (times[times.length - 1]! - Math.max(times[0]!, began));
};

try {
  await page.goto(`${base}/begin`);
  await step(
    () => page.getByRole("button", { name: "Try without a camera" }).click(),
    () => page.getByText("Lead foot down sooner").waitFor({ timeout: 600_000 }),
  );
  const verdictS = interfaceS();
  await step(
    () => page.getByRole("button", { name: "Read her five swings" }).click(),
    () => page.getByRole("link", { name: "See what they show" }).waitFor({ timeout: 900_000 }),
  );
  await step(
    () => page.getByRole("link", { name: "See what they show" }).click(),
    () => page.getByRole("link", { name: "Go to the drill" }).waitFor(),
  );
  await step(
    () => page.getByRole("link", { name: "Go to the drill" }).click(),
    () => page.getByRole("heading", { level: 1, name: "Heel and toe swap" }).waitFor(),
  );
  const drillS = interfaceS();
  console.log(
    `first verdict ${verdictS.toFixed(1)} s (60 at most), first drill ` +
      `${drillS.toFixed(1)} s (180 at most), ${steps} steps`,
  );

  await page.getByRole("button", { name: "Stop" }).click();
  const still = await frames(page);
  await page.getByRole("button", { name: "Play", exact: true }).click();
  const playing = await frames(page);
  console.log(
    `the figure plays at ${playing.toFixed(1)} of the screen's ${still.toFixed(1)} pictures a second`,
  );

  await usable(page);
  const soon: number[] = [];
  for (let k = 0; k < 9; k++) soon.push(await usable(page));
  const took = await keys("i catch the grond first");
  const figures = {
    firstVerdictS: round(verdictS),
    firstDrillS: round(drillS),
    steps,
    libraryUsableMs: round(quantile(soon, 0.5)),
    libraryUsableP95Ms: round(quantile(soon, 0.95)),
    keyP50Ms: round(quantile(took, 0.5)),
    keyP95Ms: round(quantile(took, 0.95)),
    framesStill: round(still),
    framesPlaying: round(playing),
  };
  console.log(
    `library usable ${figures.libraryUsableMs} ms after its data (200 at most), 95 % ` +
      `${figures.libraryUsableP95Ms}; a key answered in ${figures.keyP50Ms} ms, 95 % ` +
      `${figures.keyP95Ms} (50 at most)`,
  );
  report("choose", figures);
  console.log(JSON.stringify(figures));
} finally {
  await end();
}
process.exit(0);
