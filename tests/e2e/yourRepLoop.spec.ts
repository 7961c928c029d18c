import { execFileSync } from "node:child_process";
import { existsSync, mkdirSync } from "node:fs";
import { chromium, expect, test, type BrowserContext, type Page } from "@playwright/test";
import { chromiumPath, CHROMIUM_FLAGS } from "../../tools/chromium";
import { readTrack } from "../../src/core/formats/trackFile";
import { accessible } from "./accessible";
import { answered } from "./begun";
import { filmsRecorded } from "./recorded";

/**
 * The first four reps of a bout; Chromium's fake camera plays such a file at 30 pictures a second,
 * at 1280 × 720, again and again.
 */
const CAMERA = ".work/camera/bout.mjpeg";
test.describe.configure({ mode: "serial" });

let context: BrowserContext;
let page: Page;

test.beforeAll(async ({ baseURL }) => {
  mkdirSync(".work/camera", { recursive: true });
  if (!existsSync(CAMERA))
    execFileSync("ffmpeg", [
      "-v",
      "error",
      "-t",
      "37",
      "-i",
      "demo/clips/double-step-bout.mp4",
      "-r",
      "30",
      "-c:v",
      "mjpeg",
      "-q:v",
      "4",
      "-f",
      "mjpeg",
      CAMERA,
    ]);
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: [
      ...CHROMIUM_FLAGS,
      "--use-fake-ui-for-media-stream",
      "--use-fake-device-for-media-stream",
      `--use-file-for-fake-video-capture=${CAMERA}`,
    ],
  });
  context = await browser.newContext({
    baseURL: baseURL!,
    permissions: ["camera"],
    viewport: { width: 390, height: 844 },
  });
  page = await context.newPage();
});
test.afterAll(() => context.browser()?.close());

/** What is told of the rep that is the bout's nth: its large word. */
const told = (n: number) =>
  page.locator("[data-result]").filter({ hasText: new RegExp(`${n}\\s*/\\s*4`) });

test("a camera that is refused is said, with what to do", async ({ page: refused }) => {
  await known(refused);
  await refused.addInitScript(
    () =>
      (navigator.mediaDevices.getUserMedia = () =>
        Promise.reject(new DOMException("no", "NotAllowedError"))),
  );
  await refused.goto("/film?drill=double-step");
  await refused.getByRole("button", { name: "Start the camera" }).click();
  await expect(
    refused.getByRole("alert").filter({ hasText: "The camera was refused." }),
  ).toContainText("Allow it");
  await expect(refused.getByRole("button", { name: "Start the camera" })).toBeEnabled();
});

/** Somebody of 170 cm who plays right-handed. */
async function known(page: Page): Promise<void> {
  await page.goto("/film");
  if (!page.url().includes("/begin")) return;
  await answered(page);
}

test("what comes between is said, each with what to do, and it goes on when that is over", async () => {
  const phone = await context.newPage();
  await phone.addInitScript(() => {
    const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
    // A camera that gives 15 pictures a second, of a browser that can't keep its screen on.
    navigator.mediaDevices.getUserMedia = async () => {
      const stream = await open({ video: { width: 1280, height: 720, frameRate: { max: 15 } } });
      Object.assign(globalThis, { track: stream.getVideoTracks()[0] });
      return stream;
    };
    Object.defineProperty(navigator, "wakeLock", { value: undefined });
  });
  const track = (does: "stop" | "mute" | "unmute") =>
    phone.evaluate((what) => {
      const { track: own } = globalThis as unknown as { track: MediaStreamTrack };
      return what === "stop" ? own.stop() : void own.dispatchEvent(new Event(what));
    }, does);
  const hidden = (on: boolean) =>
    phone.evaluate((is) => {
      Object.defineProperty(document, "hidden", { configurable: true, value: is });
      document.dispatchEvent(new Event("visibilitychange"));
    }, on);
  await known(phone);
  await phone.goto("/film?drill=double-step");
  await phone.getByRole("radio", { name: "Yes" }).click();
  await phone.getByRole("button", { name: "Start the camera" }).click();
  await expect(phone.getByText("The microphone may not be used")).toBeVisible({ timeout: 60_000 });
  await expect(phone.getByText(/keep the screen on: set the phone/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(phone.getByText(/^The camera gives 1[0-9] pictures a second/)).toBeVisible({
    timeout: 60_000,
  });
  await accessible(phone);
  await hidden(true);
  await expect(phone.getByText("Page hidden")).toBeVisible();
  await hidden(false);
  await expect(phone.getByText("Page hidden")).toBeHidden();
  await track("mute");
  await expect(phone.getByText("Camera gone")).toBeVisible();
  await track("unmute");
  await expect(phone.getByText("Camera gone")).toBeHidden();
  await track("stop");
  await expect(phone.getByRole("alert").filter({ hasText: "The camera is gone." })).toBeVisible();
  await phone.getByRole("button", { name: "Start the camera again" }).click();
  await expect(phone.getByRole("alert").filter({ hasText: "The camera is gone." })).toBeHidden();
  await expect(
    phone.getByText(/Step into the picture|Stand still|More light|Go/).first(),
  ).toBeVisible({ timeout: 60_000 });
  await phone.close();
});

test("in a browser that shows a camera’s pictures but does not hand them out reps are seen, and heard; one that finds no room in its storage is sent at once", async () => {
  const phone = await context.newPage();
  await phone.addInitScript(() => {
    Reflect.deleteProperty(globalThis, "MediaStreamTrackProcessor");
    IDBObjectStore.prototype.put = () => {
      throw new DOMException("full", "QuotaExceededError");
    };
  });
  await context.grantPermissions(["camera", "microphone"]);
  await phone.goto("/film?drill=double-step&reps=4");
  await phone.getByRole("radio", { name: "Yes" }).click();
  await phone.getByRole("button", { name: "Start the camera" }).click();
  const track = phone.waitForRequest(
    (r) => r.method() === "PUT" && r.url().includes("/api/tracks/"),
    { timeout: 120_000 },
  );
  const sent = phone.waitForResponse(
    (r) => r.request().method() === "POST" && r.url().includes("/reps"),
    { timeout: 120_000 },
  );
  await expect(
    phone.getByRole("alert").filter({ hasText: "This device’s storage is full." }),
  ).toBeVisible({ timeout: 120_000 });
  expect((await sent).ok()).toBe(true);
  // Chromium's fake microphone beeps every second.
  const kept = await phone.request.get((await track).url());
  expect(readTrack(new Uint8Array(await kept.body())).sounds.length).toBeGreaterThan(1);
  await phone.close();
});

test("the phone’s place is planned for the room there is, and the room is remembered", async () => {
  await page.goto("/film?drill=double-step");
  const plan = page.getByRole("region", { name: /to the phone|in front of you/ });
  const roomy = await plan.getByRole("heading").innerText();
  await plan.getByText("Short of room").click();
  await plan.getByLabel("Room in front of you").fill("2.5");
  await plan.getByLabel("Room along the line").fill("2.5");
  await plan.getByRole("button", { name: "Plan it" }).click();
  await expect(plan.getByText("The club would meet a wall")).toBeVisible();
  await expect(plan.getByRole("img", { name: /^From above: the phone stands/ })).toBeVisible();
  const metres = (words: string) => Number(/([\d.]+) m/.exec(words)![1]);
  expect(metres(await plan.getByRole("heading").innerText())).toBeLessThan(metres(roomy));
  await page.reload();
  await expect(plan.getByLabel("Room in front of you")).toHaveValue("2.5");
  await accessible(page);
  await plan.getByLabel("Room in front of you").fill("1");
  await plan.getByRole("button", { name: "Plan it" }).click();
  await expect(plan.getByRole("heading", { name: /^It takes/ })).toBeVisible();
  // What is filmed from the other side may still have room.
  await expect(plan.getByText(/^Is there [\d.]+ m behind you/)).toBeVisible();
  await plan.getByRole("link", { name: "Hips on the wall" }).click();
  await expect(page.getByText("part one of two")).toBeVisible();
  await page.goBack();
  for (const field of ["Room in front of you", "Room along the line"])
    await plan.getByLabel(field).fill("");
  await plan.getByRole("button", { name: "Plan it" }).click();
  await expect(plan.getByRole("heading", { name: roomy })).toBeVisible();
});

test("reps are told hands free, and a page that is loaded again in the middle of the bout loses none", async () => {
  await filmsRecorded(page, ["double-step-good", "double-step-lead-late"]);
  // Films stand in for the made-up golfer's camera alone.
  await page.goto("/begin");
  await page.getByRole("button", { name: "Try without a camera" }).click();
  await page.waitForURL(/sample=rep/);
  await page.goto("/film?drill=double-step&reps=4");
  await accessible(page);
  await page.getByRole("button", { name: "Try without a camera" }).click();
  for (const [n, answer] of [
    [1, "Pass"],
    [2, /Lead\s*foot\s*down\s*sooner/],
  ] as const) {
    await expect(told(n)).toBeVisible({ timeout: 120_000 });
    await expect(told(n)).toContainText(answer);
  }
  await page.reload();
  await expect(page.getByRole("heading", { name: "Go on: 2 of 4 are counted" })).toBeVisible();
  await page.getByRole("button", { name: "Try without a camera" }).click();
  await expect(page.getByRole("heading", { name: "2 of 4 passed" })).toBeVisible({
    timeout: 180_000,
  });
  await expect(page.getByText("All 4 of 4 are kept.")).toBeVisible({ timeout: 60_000 });
  // The films are looked at more closely meanwhile; the list says so, and what that changed.
  await expect(page.getByText(/looked at more closely/)).toBeVisible({ timeout: 30_000 });
  await accessible(page);
  await expect(page.getByText(/looked at more closely/)).toBeHidden({ timeout: 180_000 });
  // The last one does not count: it is taken out of the log again.
  await expect(page.getByRole("button", { name: "Doesn’t count" })).toHaveCount(4);
  const gone = page.waitForResponse((r) => r.request().method() === "DELETE");
  await page.getByRole("button", { name: "Doesn’t count" }).last().click();
  expect((await gone).status()).toBe(204);
  await expect(page.getByRole("button", { name: "Doesn’t count" })).toHaveCount(3);
});

test("each rep that counts is in the log once, with its film", async () => {
  await page.goto("/reps");
  // The latest bout of the latest session.
  const bout = page
    .getByRole("region", { name: /^Session of / })
    .first()
    .getByRole("region", { name: /^Double step, / })
    .last();
  await expect(bout.getByRole("link", { name: /^Rep \d+: / })).toHaveCount(3);
  await expect(
    bout.getByRole("link", { name: /^Rep \d+: (Pass|Fail, Lead foot down sooner)$/ }),
  ).toHaveCount(3);
  // The second one's page was gone before its film was cut: it has its numbers alone.
  await bout.getByRole("link", { name: /^Rep 1: / }).click();
  await expect(page.locator("canvas[data-film=ready][data-painted=film]")).toBeVisible();
});
