/**
 * A long film in the browser: `npm run bench:browser [-- MINUTES]` (after a build). One rep's film,
 * put behind itself, goes through the page as a golfer would give it: the time it takes, the memory
 * that the page and its workers hold and that of their process, how true the time that is told to
 * be left was, and how soon stopping is answered.
 */
import { execFileSync } from "node:child_process";
import path from "node:path";
import type { Page } from "@playwright/test";
import { report } from "./report";
import { openSite } from "./site";

const CLIP = "demo/clips/double-step-good.mp4";
const minutes = Number(process.argv[2] ?? 20);
const { base: SITE, dir, page, end } = await openSite("browser", 3178);
const round = (v: number, by = 100) => Math.round(v * by) / by;

/** The clip at 1080p, so often as it takes. */
function longFilm(): string {
  const [one, long] = [path.join(dir, "one.mp4"), path.join(dir, "long.mp4")];
  execFileSync("ffmpeg", [
    "-v",
    "error",
    "-i",
    CLIP,
    "-vf",
    "scale=1920:1080:flags=lanczos",
    "-c:v",
    "libx264",
    "-preset",
    "veryfast",
    "-crf",
    "22",
    "-g",
    "60",
    "-c:a",
    "aac",
    one,
  ]);
  const seconds = Number(
    execFileSync(
      "ffprobe",
      ["-v", "error", "-show_entries", "format=duration", "-of", "csv=p=0", one],
      { encoding: "utf8" },
    ),
  );
  execFileSync("ffmpeg", [
    "-v",
    "error",
    "-stream_loop",
    `${Math.round((minutes * 60) / seconds) - 1}`,
    "-i",
    one,
    "-c",
    "copy",
    long,
  ]);
  return long;
}

/**
 * What the page and its workers hold, MB, as the browser counts it (it collects garbage first);
 * null when it does not answer soon.
 */
const held = (page: Page): Promise<number | null> =>
  page
    .evaluate(async () => {
      const measure = (
        performance as unknown as { measureUserAgentSpecificMemory(): Promise<{ bytes: number }> }
      ).measureUserAgentSpecificMemory();
      const late = new Promise<null>((r) => setTimeout(() => r(null), 20_000));
      return (await Promise.race([measure, late]).catch(() => null))?.bytes ?? null;
    })
    .then((bytes) => bytes && bytes / 1e6);

/** Largest resident memory of a renderer of this browser, MB. */
function memory(): number {
  const lines = execFileSync("ps", ["-eo", "rss=,args="], { encoding: "utf8" })
    .split("\n")
    .filter((l) => l.includes("--type=renderer") && l.includes(dir));
  return Math.max(0, ...lines.map((l) => Number.parseInt(l, 10) / 1024));
}

async function answered(page: Page): Promise<void> {
  await page.goto(`${SITE}/begin`);
  await page.getByLabel("How tall are you?").fill("178");
  await page.getByRole("radio", { name: "Right" }).click();
  await page.getByRole("button", { name: "Read my swings" }).click();
  await page.waitForURL(/\/read\?/);
  await page.goto(`${SITE}/read`);
}

/** From the click to the word on the page, ms, as the page's own clock tells. */
const stopMs = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const button = [...document.querySelectorAll("button")].find(
          (b) => b.textContent === "Stop this one",
        )!;
        const began = performance.now();
        const watch = new MutationObserver(() => {
          if (!document.body.innerText.includes("Stopped")) return;
          watch.disconnect();
          resolve(performance.now() - began);
        });
        watch.observe(document.body, { childList: true, subtree: true, characterData: true });
        button.click();
      }),
  );

const film = longFilm();
try {
  await answered(page);
  const bar = page.getByRole("progressbar");
  await page.getByLabel("Choose clips").setInputFiles(film);
  await page.getByRole("progressbar", { name: /Reading/ }).waitFor({ timeout: 900_000 });
  const stop = await stopMs(page);
  console.log(`stopping is answered in ${stop.toFixed(0)} ms`);
  const began = performance.now();
  await page.getByRole("button", { name: "Read it after all" }).click();
  const seen: { at: number; percent: number; leftS: number | null; mb: number }[] = [];
  const counted: number[] = [];
  let [said, nextCount] = [-1, 0];
  while (await bar.count()) {
    const percent = Number(await bar.getAttribute("aria-valuenow").catch(() => null));
    const left = /About (?:(\d+) min)?\s?(?:(\d+) s)? ?to go/.exec(
      await page
        .getByRole("article")
        .innerText()
        .catch(() => ""),
    );
    seen.push({
      at: (performance.now() - began) / 1000,
      percent,
      leftS: left ? Number(left[1] ?? 0) * 60 + Number(left[2] ?? 0) : null,
      mb: memory(),
    });
    const last = seen[seen.length - 1]!;
    if (percent >= said + 5)
      console.log(
        `${(said = percent)} %, ${last.at.toFixed(0)} s, ${last.leftS ?? "?"} s left, ` +
          `${last.mb.toFixed(0)} MB, held ${counted.at(-1)?.toFixed(0) ?? "?"}`,
      );
    if (last.at >= nextCount) {
      nextCount = last.at + 30;
      const mb = await held(page);
      if (mb) counted.push(mb);
    }
    await new Promise((r) => setTimeout(r, 1000));
  }
  const readS = (performance.now() - began) / 1000;
  await page
    .getByRole("link", { name: "Open" })
    .waitFor({ timeout: 900_000 })
    .catch(() => {});
  const totalS = (performance.now() - began) / 1000;
  const told = seen.filter((s) => s.leftS !== null && s.percent >= 10 && s.percent <= 90);
  const off = told.map((s) => s.leftS! / (readS - s.at) - 1);
  const figures = {
    filmMinutes: minutes,
    readS: round(readS, 1),
    withJudgingS: round(totalS, 1),
    heldMb: round(Math.max(...counted), 1),
    residentMb: round(Math.max(...seen.map((s) => s.mb)), 1),
    leftTooLongAtMost: round(Math.max(...off)),
    leftTooShortAtMost: round(Math.min(...off)),
    stopMs: round(stop, 1),
    article: (await page.getByRole("article").innerText()).split("\n").slice(-4),
  };
  console.log(JSON.stringify(figures));
  report("browser", figures);
} finally {
  await end();
}
process.exit(0);
