/**
 * How quickly a rep is looked through and corrected: `npm run bench:review` (after a build). A film
 * of 1080p60 is opened on a rep's page: how long until all its pictures are there and what they
 * take; from a picture that is asked for to the frame that paints it, at random; from a correction
 * to the verdict. And a page of 200 reps, and 100 reps walked through.
 */
import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync } from "node:fs";
import { seeded } from "../../src/core/maths/seeded";
import { quantile } from "../../src/core/maths/stats";
import { report } from "./report";
import { openSite } from "./site";

const [CLIP, TRACK] = [
  "demo/clips/double-step-lead-late.mp4",
  "demo/tracks/double-step-lead-late.track",
];
const LARGE = ".work/review-1080p60.mp4";
const [SCRUBS, EDITS, MANY, WALKED, VISITS] = [200, 24, 200, 100, 5];

mkdirSync(".work", { recursive: true });
if (!existsSync(LARGE))
  execFileSync("ffmpeg", [
    "-v",
    "error",
    "-i",
    CLIP,
    "-vf",
    "tpad=stop_mode=clone:stop_duration=5,scale=1920:1080",
    "-t",
    "5",
    "-r",
    "60",
    "-c:v",
    "libx264",
    "-preset",
    "fast",
    "-crf",
    "20",
    "-g",
    "60",
    "-an",
    "-y",
    LARGE,
  ]);
const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
const p95 = (x: readonly number[]) => Math.round(quantile(x, 0.95) * 10) / 10;
const middle = (x: readonly number[]) => Math.round(quantile(x, 0.5));
const most = (x: readonly number[]) => Math.round(Math.max(...x));
const { base, dir, page, end } = await openSite("review", 3182);

/** What all of the browser's processes hold, MB. */
const memoryMb = (): number =>
  execFileSync("ps", ["-eo", "rss=,args="], { encoding: "utf8", maxBuffer: 1 << 26 })
    .split("\n")
    .filter((l) => l.includes(dir))
    .reduce((sum, l) => sum + Number.parseInt(l, 10), 0) / 1024;

/** Who is set up, as reps are sent for them. */
let golfer = "";

async function keep(film: Buffer, track: Buffer): Promise<string> {
  await page.request.put(`${base}/api/clips/${sha(film)}`, { data: film });
  await page.request.put(`${base}/api/tracks/${sha(track)}`, { data: track });
  const saved = await page.request.post(`${base}/api/reps`, {
    data: {
      golfer: { id: golfer, hand: "right", statureCm: 170 },
      clip: { sha256: sha(film), name: "review.mp4", bytes: film.length },
      trackSha256: sha(track),
      drill: "double-step",
    },
  });
  return ((await saved.json()) as { ids: string[] }).ids[0]!;
}

try {
  await page.goto(`${base}/begin`);
  await page.getByLabel("How tall are you?").fill("170");
  await page.getByRole("radio", { name: "Right" }).click();
  await page.getByRole("button", { name: "Read my swings" }).click();
  await page.waitForURL(/\/read/);
  golfer = (await page.locator("[data-golfer]").getAttribute("data-golfer"))!;
  const id = await keep(readFileSync(LARGE), readFileSync(TRACK));

  await page.goto(`${base}/reps/${id}`);
  await page.locator("canvas[data-film=ready]").waitFor({ timeout: 120_000 });
  const read = await page.evaluate(() => {
    const { detail } = performance.getEntriesByName("kingfisher:frames").at(-1) as PerformanceMark;
    return detail as { ms: number; bytes: number; count: number };
  });
  const random = seeded(4);
  const scrubs = await page.evaluate(
    async (shares) => {
      const range = document.querySelector<HTMLInputElement>("input[type=range]")!;
      const canvas = document.querySelector("canvas")!;
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!;
      const [lo, hi] = [Number(range.min), Number(range.max)];
      const out: { ms: number; right: boolean }[] = [];
      for (const share of shares) {
        const to = Math.round(lo + share * (hi - lo));
        const began = performance.now();
        set.call(range, `${to}`);
        range.dispatchEvent(new Event("input", { bubbles: true }));
        while (canvas.dataset.frame !== `${to}`) await new Promise((r) => requestAnimationFrame(r));
        // The frame that paints it.
        await new Promise((r) => requestAnimationFrame(() => setTimeout(r)));
        out.push({ ms: performance.now() - began, right: canvas.dataset.painted === "film" });
      }
      return out;
    },
    Array.from({ length: SCRUBS }, () => random.uniform()),
  );

  await page.getByText("Did the program get something wrong?").click();
  const edits: Record<string, number[]> = { event: [], foot: [], split: [], golfer: [] };
  const edited = async (kind: string, does: () => Promise<void>) => {
    const before = await page.evaluate(
      () => performance.getEntriesByName("kingfisher:corrected").length,
    );
    // The server judges it once more for itself: the next one comes when that is kept, as a
    // golfer's does.
    const kept = page.waitForResponse((r) => r.url().endsWith("/corrections"));
    await does();
    await page.waitForFunction(
      (n) => performance.getEntriesByName("kingfisher:corrected").length > n,
      before,
    );
    await kept;
    edits[kind]!.push(
      await page.evaluate(
        () =>
          (performance.getEntriesByName("kingfisher:corrected").at(-1) as PerformanceMark)
            .detail as number,
      ),
    );
  };
  for (let k = 0; k < EDITS; k++) {
    const [kind, name, button] = (
      [
        ["event", "top", "top is here"],
        ["foot", "lead foot lands", "lead foot lands here"],
        ["split", "rep begins", "the rep begins here"],
      ] as const
    )[k % 3]!;
    await page.getByRole("button", { name: `Show: ${name}` }).click();
    await page.getByRole("button", { name: "One picture on" }).click();
    await edited(kind, () => page.getByRole("button", { name: button }).click());
  }
  for (let k = 0; k < 6; k++) {
    await page.getByLabel("Height").fill(`${172 + k}`);
    await edited("golfer", () => page.getByRole("button", { name: "Judge it with these" }).click());
  }

  // A session of 200 reps: one film over and over, with a box at its end that tells them apart.
  const [goodFilm, good] = [
    readFileSync("demo/clips/double-step-good.mp4"),
    readFileSync("demo/tracks/double-step-good.track"),
  ];
  const numbered = (k: number) =>
    Buffer.concat([
      goodFilm,
      Buffer.from([0, 0, 0, 12]),
      Buffer.from("free"),
      Buffer.from([0, 0, k >> 8, k & 255]),
    ]);
  for (let k = 0; k < MANY; k++) await keep(numbered(k), good);
  /**
   * From a page at rest until a page's first rep is there and painted, ms; over some visits, the
   * first one cold.
   */
  const usable = async (
    path: string,
    first = page.getByRole("link", { name: /^Rep 1: / }).first(),
  ): Promise<number[]> => {
    const times: number[] = [];
    for (let k = 0; k < VISITS; k++) {
      await page.goto(`${base}/`, { waitUntil: "networkidle" });
      await page.goto(`${base}${path}`, { waitUntil: "commit" });
      await first.waitFor();
      times.push(
        await page.evaluate(
          () =>
            new Promise<number>((r) =>
              requestAnimationFrame(() => setTimeout(() => r(performance.now()))),
            ),
        ),
      );
    }
    return times;
  };
  // What any page takes on this machine just now: a form with nothing in it.
  const plain = await usable("/reps/add", page.getByRole("heading", { level: 1 }));
  const list = await usable("/reps");
  const drawn = await page.locator("[data-drawn=true]").count();
  const sessionPath = (await page.locator('a[href^="/sessions/"]').first().getAttribute("href"))!;
  const session = await usable(sessionPath);

  // Walked through as a golfer does: on from rep to rep, in one and the same page.
  await page
    .getByRole("link", { name: /^Rep 1: / })
    .first()
    .click();
  const memory: number[] = [];
  for (let k = 1; k <= WALKED; k++) {
    await page
      .locator("canvas[data-film=ready]")
      .or(page.getByText("The film was not kept"))
      .first()
      .waitFor();
    memory.push(memoryMb());
    await page.getByRole("link", { name: `Rep ${k + 1} →` }).click();
    await page.getByText(new RegExp(`rep ${k + 1} of`)).waitFor();
  }
  const settled = WALKED / 5;
  const grown = memory.at(-1) / memory[settled - 1]! - 1;
  console.log(
    `MB after every tenth rep: ${memory
      .filter((_, i) => i % 10 === 9)
      .map(Math.round)
      .join(" ")}`,
  );

  const event = [...edits.event!, ...edits.foot!, ...edits.split!];
  const figures = {
    preReadMs: Math.round(read.ms),
    cacheMb: Math.round(read.bytes / 1e6),
    pictures: read.count,
    scrubP95Ms: p95(scrubs.map((s) => s.ms)),
    scrubbedToFilm: scrubs.filter((s) => s.right).length / scrubs.length,
    editToVerdictMs: p95(event),
    eventMs: p95(edits.event!),
    footMs: p95(edits.foot!),
    splitMs: p95(edits.split!),
    golferToVerdictMs: p95(edits.golfer!),
    manyReps: MANY,
    plainMs: middle(plain),
    listMs: middle(list),
    listWorstMs: most(list),
    sessionMs: middle(session),
    sessionWorstMs: most(session),
    drawnAtFirst: drawn,
    walked: WALKED,
    memoryGrown: Math.round(grown * 1000) / 1000,
  };
  console.log(
    `all ${figures.pictures} pictures of 5 s of 1080p60 are there after ` +
      `${figures.preReadMs} ms (4,000 at most) and take ${figures.cacheMb} MB (300 at ` +
      `most); 95 % of ${SCRUBS} are painted within ${figures.scrubP95Ms} ms (50 at most)`,
  );
  console.log(
    `a correction's verdict is there within ${figures.editToVerdictMs} ms (150 at most), ` +
      `of another hand or stature within ${figures.golferToVerdictMs} ms (600 at most)`,
  );
  console.log(
    `the list with ${MANY} reps is usable after ${figures.listMs} ms, their session ` +
      `after ${figures.sessionMs} ms (500 at most; the worst of ${VISITS} visits ` +
      `${figures.listWorstMs} and ${figures.sessionWorstMs}; a page with nothing on it ` +
      `takes ${figures.plainMs}), with ${drawn} strips drawn; after ${WALKED} reps walked ` +
      `through the browser holds ${(100 * grown).toFixed(1)} % more than after ${settled}`,
  );
  report("review", figures);
  console.log(JSON.stringify(figures));
} finally {
  await end();
}
process.exit(0);
