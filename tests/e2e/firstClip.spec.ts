import { execFileSync } from "node:child_process";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { expect, test } from "@playwright/test";
import type { AnalysisJson } from "../../src/core/formats/analysisJson";
import { readTrack } from "../../src/core/formats/trackFile";
import { STRIDE } from "../../src/core/track/track";
import { viewOf, type OverlayView } from "../../src/ui/picture/overlay";
import { accessible } from "./accessible";
import { chooses } from "./alive";
import { readsRecorded } from "./recorded";

test.describe.configure({ mode: "serial" });

const CLIP = "demo/clips/double-step-lead-late.mp4";
let repPath = "";

test("begins with three answers", async ({ page }) => {
  await page.goto("/");
  await expect(page).toHaveURL(/\/begin$/);
  await accessible(page);
  await page.getByLabel("How tall are you?").fill("300");
  await page.getByRole("button", { name: "Read my swings" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Between 120 and 220 cm" })).toBeVisible();
  await page.getByLabel("How tall are you?").fill("");
  await page.getByRole("button", { name: "Read my swings" }).click();
  await expect(page.getByText("Say how tall you are.")).toBeVisible();
  await page.getByLabel("How tall are you?").fill("170");
  await page.getByRole("radio", { name: "Right" }).click();
  await page.getByRole("button", { name: "Read my swings" }).click();
  await expect(page).toHaveURL(/\/read\?drill=normal-swing$/);
});

test("a clip goes in, a judged rep comes out, and is still there after a reload", async ({
  page,
}) => {
  await page.goto("/read");
  await accessible(page);
  await expect(page.getByTestId("device")).toHaveText(
    /read on its (graphics )?processor, .*\d ms each/,
    { timeout: 300_000 },
  );
  await chooses(page.getByLabel("Choose clips"), CLIP);
  await expect(page.getByRole("progressbar", { name: /Reading, \d+ %/ })).toBeVisible({
    timeout: 300_000,
  });
  await expect(page.getByText(/of 256 pictures/)).toBeVisible();
  const card = page.getByRole("article", { name: "double-step-lead-late.mp4" });
  await expect(card.getByText("Fail", { exact: true })).toBeVisible({ timeout: 420_000 });
  await expect(card.getByText("Lead foot down sooner")).toBeVisible();
  await card.getByRole("link", { name: "Open" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Lead foot down sooner");
  repPath = new URL(page.url()).pathname;
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Lead foot down sooner");
  await expect(page.locator("canvas[data-film=ready][data-painted=film]")).toBeVisible();
  await accessible(page);
  await page.goto("/reps");
  await page.getByRole("link", { name: "Rep 1: Fail, Lead foot down sooner" }).click();
  await expect(page).toHaveURL(repPath);
});

test("review shows the numbers that the command line prints, from the track that the browser read", async ({
  page,
  request,
}) => {
  await page.goto(repPath);
  const shown = await page
    .locator("li", { hasText: "Lead foot down by the top" })
    .locator("strong")
    .innerText();
  const out = execFileSync(
    process.execPath,
    ["bin/kingfisher.mjs", "analyse", CLIP, "--stature", "170", "--json", "--keep-track", ".work"],
    { encoding: "utf8", stdio: ["ignore", "pipe", "ignore"], maxBuffer: 1e8 },
  );
  const cli = JSON.parse(out.trim()) as AnalysisJson;
  const value = cli.reps[0]!.measures.leadLandBeforeTop!.value!;
  expect(Number(shown.replace("−", "-"))).toBe(Math.round(value));
  expect(cli.reps[0]!.verdict!.cue!.words).toBe("Lead foot down sooner");

  const asked = page.waitForResponse(/\/api\/tracks\//);
  await page.reload();
  const url = (await asked).url();
  const browser = readTrack(new Uint8Array(await (await request.get(url)).body()));
  const node = readTrack(readFileSync(".work/double-step-lead-late.track"));
  expect([...browser.times]).toEqual([...node.times]);
  // Only the pictures that decide were looked at, by and large the same ones.
  const looks = browser.read!.reduce((sum, r) => sum + r, 0);
  expect(looks).toBeLessThan(browser.times.length * 0.45);
  let squares = 0;
  let n = 0;
  for (let i = 0; i < node.landmarks.length; i += STRIDE)
    for (const k of [0, 1]) {
      if (Number.isNaN(browser.landmarks[i + k]! + node.landmarks[i + k]!)) continue;
      squares += (browser.landmarks[i + k]! - node.landmarks[i + k]!) ** 2;
      n++;
    }
  expect(n).toBeGreaterThan(looks * 33);
  expect(Math.sqrt(squares / n)).toBeLessThan(0.5);
});

test("the film is stepped by picture, each the one it says it is, from the keys and from the strip, which stays with it", async ({
  page,
  request,
}) => {
  const asked = page.waitForResponse(/\/api\/tracks\//);
  await page.goto(repPath);
  const track = readTrack(new Uint8Array(await (await request.get((await asked).url())).body()));
  const film = page.locator("canvas[data-film=ready][data-painted=film]");
  await expect(film).toBeVisible();
  const frame = async () => Number(await film.getAttribute("data-frame"));
  await page
    .getByRole("button", { name: "Show: top" })
    .or(page.getByText("Did the program get something wrong?"))
    .first()
    .click();
  await page.getByRole("button", { name: "Show: top" }).click();
  const top = await frame();
  for (const [key, by] of [
    ["ArrowRight", 1],
    ["Shift+ArrowLeft", -9],
    ["Shift+ArrowRight", 1],
  ] as const) {
    await page.keyboard.press(key);
    await expect.poll(frame).toBe(top + by);
    // What is painted is that picture of the film and none of its neighbours.
    await page.getByLabel("Joints").uncheck();
    const painted = await film.evaluate((c: HTMLCanvasElement) =>
      Array.from(
        c
          .getContext("2d")!
          .getImageData(0, 0, 440, 440)
          .data.filter((_, i) => i % 4 === 1),
      ),
    );
    expect(likest(painted, viewOf(track), top + by)).toBe(top + by);
    await page.getByLabel("Joints").check();
  }
  await page
    .getByRole("group", { name: "Strip of the rep" })
    .click({ position: { x: 100, y: 20 } });
  await expect.poll(frame).toBeLessThan(top - 30);
  // The strip's own time is that of the picture.
  const told = Number(
    (await page.getByTestId("strip-time").innerText()).replace("−", "-").replace(" ms", ""),
  );
  const shown = track.times[await frame()]! - track.times[top]!;
  expect(Math.abs(told - shown)).toBeLessThan(1000 / 60);
});

/**
 * Which of the film's pictures around one looks most like what is painted: green of a square, 440
 * px, against the film's luma.
 */
function likest(painted: number[], view: OverlayView, about: number): number {
  const [width, height, from, count] = [1280, 720, about - 3, 7];
  const raw = execFileSync(
    "ffmpeg",
    [
      "-v",
      "error",
      "-i",
      CLIP,
      "-vf",
      `select=between(n\\,${from}\\,${from + count - 1})`,
      "-vsync",
      "0",
      "-pix_fmt",
      "gray",
      "-f",
      "rawvideo",
      "-",
    ],
    { maxBuffer: 1e8 },
  );
  const unlike = Array.from({ length: count }, (_, k) => {
    let sum = 0;
    for (let y = 110; y < 330; y += 3)
      for (let x = 110; x < 330; x += 3) {
        const [filmX, filmY] = [
          Math.round(view.left + (x * view.size) / 440),
          Math.round(view.top + (y * view.size) / 440),
        ];
        sum += Math.abs(painted[y * 440 + x]! - raw[k * width * height + filmY * width + filmX]!);
      }
    return sum;
  });
  return from + unlike.indexOf(Math.min(...unlike));
}

test("what can't be read says why and what to do, and harms nothing", async ({ page }) => {
  const dir = ".work/bad";
  mkdirSync(dir, { recursive: true });
  const film = readFileSync(CLIP);
  writeFileSync(path.join(dir, "notes.mp4"), "these are notes, not a film");
  writeFileSync(path.join(dir, "nothing.mp4"), "");
  writeFileSync(path.join(dir, "cut.mp4"), film.subarray(0, film.length >> 1));
  execFileSync("ffmpeg", [
    "-v",
    "error",
    "-y",
    "-f",
    "lavfi",
    "-i",
    "sine=frequency=300:duration=2",
    "-c:a",
    "aac",
    path.join(dir, "sound.m4a"),
  ]);
  execFileSync("ffmpeg", [
    "-v",
    "error",
    "-y",
    "-f",
    "lavfi",
    "-i",
    "testsrc=size=640x360:rate=30:duration=2",
    "-pix_fmt",
    "yuv420p",
    path.join(dir, "nobody.mp4"),
  ]);
  execFileSync("ffmpeg", [
    "-v",
    "error",
    "-y",
    "-i",
    CLIP,
    "-t",
    "0.5",
    "-c",
    "copy",
    path.join(dir, "short.mp4"),
  ]);
  await page.goto("/read");
  await chooses(
    page.getByLabel("Choose clips"),
    ["notes.mp4", "nothing.mp4", "cut.mp4", "sound.m4a", "nobody.mp4", "short.mp4"].map((f) =>
      path.join(dir, f),
    ),
  );
  const says = async (name: string, words: RegExp) =>
    expect(page.getByRole("article", { name }).getByText(words)).toBeVisible({ timeout: 300_000 });
  await says("notes.mp4", /not a video/);
  await says("nothing.mp4", /file is empty/);
  await says("cut.mp4", /ends too early/);
  await says("sound.m4a", /sound here, but no picture/);
  await says("nobody.mp4", /No golfer can be seen/);
  await says("short.mp4", /shorter than a second/);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("can’t be read");
  await page.goto("/reps");
  await expect(page.getByRole("link", { name: /^Rep \d+: / })).toHaveCount(1);
});

test("reading is stopped at once when asked, and begun again", async ({ page }) => {
  await readsRecorded(page, ["double-step-lead-late"], 40);
  await page.goto("/read");
  await chooses(page.getByLabel("Choose clips"), CLIP);
  await expect(page.getByRole("progressbar", { name: /Reading, [1-9]/ })).toBeVisible({
    timeout: 300_000,
  });
  await page.getByRole("button", { name: "Stop this one" }).click();
  await expect(page.getByText("Stopped", { exact: true })).toBeVisible({ timeout: 15_000 });
  await page.getByRole("button", { name: "Read it after all" }).click();
  await expect(page.getByRole("progressbar", { name: /Reading, [1-9]/ })).toBeVisible({
    timeout: 300_000,
  });
});

test("another Host name is refused, and a large or false upload is kept whole or not at all", async ({
  request,
}) => {
  expect((await request.get("/reps", { headers: { host: "kingfisher.example" } })).status()).toBe(
    421,
  );
  const big = Buffer.alloc(24 * 1024 * 1024, 7);
  const { createHash } = await import("node:crypto");
  const name = createHash("sha256").update(big).digest("hex");
  expect((await request.put(`/api/clips/${name}`, { data: big.subarray(1) })).status()).toBe(422);
  expect((await request.put(`/api/clips/${name}`, { data: big })).status()).toBe(201);
  // It is there, whole; and shown to nobody who has no rep of it.
  expect((await request.put(`/api/clips/${name}`, { data: big })).status()).toBe(200);
  expect((await request.get(`/api/clips/${name}`)).status()).toBe(404);
});

test("an address that is none leads to a page that says so, or to what there is", async ({
  request,
}) => {
  for (const none of [
    "/reps/none",
    "/reps/%00",
    "/bouts/%00",
    "/sessions/none",
    "/drills/%00",
    "/drills/none/edit",
    "/film?drill=none",
    "/film?drill=%00",
    "/film?drill=a&drill=b",
    "/nowhere",
  ])
    expect((await request.get(none)).status(), none).toBe(404);
  // A form that is sent to an address of the API that is none is no call of an action.
  for (const none of ["/api", "/api/%20", "/api/nowhere/at/all"]) {
    const answer = await request.post(none, { multipart: { "1_$ACTION_ID_x": "x" } });
    expect([answer.status(), await answer.json()], none).toEqual([
      404,
      { message: "There is nothing at this address." },
    ]);
  }
  for (const odd of [
    "/plan?week=2026-13-45",
    "/plan?week=9999-12-31",
    "/plan?week=a&week=b",
    "/compare?reps=%00,%00",
    "/compare?reps=a&reps=b",
    "/progress?drill=%00",
    "/progress?drill=a&drill=b",
    "/read?drill=%00",
    "/read?drill=a&drill=b",
    "/reps?text=%00&drill=%00",
    "/reps?from=zzz&page=-4",
    "/reps?text=a&text=b",
    "/profile?club=%00",
  ])
    expect((await request.get(odd)).status(), odd).toBe(200);
});
