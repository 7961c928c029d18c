import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { expect, test, type Download, type Page } from "@playwright/test";
import { BlobReader, configure, Uint8ArrayWriter, ZipReader } from "@zip.js/zip.js";
import { ALL_FORMATS, BufferSource, Input } from "mediabunny";
import { repManifest } from "../../src/core/formats/repPackage";
import { accessible } from "./accessible";
import { chooses } from "./alive";
import { answered, filmedFor } from "./begun";
import { held } from "./held";

configure({ useWebWorkers: false });
const sha = (bytes: Uint8Array | string) => createHash("sha256").update(bytes).digest("hex");

test.describe.configure({ mode: "serial" });

/** Reps of films that were read before: one lands late, one is good. */
async function kept(page: Page): Promise<void> {
  await page.goto("/reps");
  if (page.url().includes("/begin")) await answered(page);
  const golfer = await filmedFor(page);
  for (const name of ["double-step-lead-late", "double-step-good"]) {
    const [film, track] = [
      readFileSync(`demo/clips/${name}.mp4`),
      readFileSync(`demo/tracks/${name}.track`),
    ];
    expect((await page.request.put(`/api/clips/${sha(film)}`, { data: film })).ok()).toBe(true);
    expect((await page.request.put(`/api/tracks/${sha(track)}`, { data: track })).ok()).toBe(true);
    const saved = await page.request.post("/api/reps", {
      data: {
        golfer,
        clip: { sha256: sha(film), name: `review-${name}.mp4`, bytes: film.length },
        trackSha256: sha(track),
        drill: "double-step",
      },
    });
    expect(saved.status()).toBe(201);
  }
  await page.goto("/reps");
}

const saved = async (download: Promise<Download>): Promise<Buffer> =>
  readFileSync(await (await download).path());

/** Where film and strip stand, ms from the top. */
const told = async (page: Page): Promise<number> =>
  Number((await page.getByTestId("strip-time").innerText()).replace("−", "-").replace(" ms", ""));

/** They stand at the picture nearest to a time. */
const isAbout = (page: Page, ms: number) =>
  expect.poll(async () => Math.abs((await told(page)) - ms)).toBeLessThan(10);

const openFailed = async (page: Page): Promise<void> => {
  await page.goto("/reps");
  await page
    .getByRole("link", { name: /^Rep \d+: Fail, Lead foot down sooner$/ })
    .first()
    .click();
  await expect(page.locator("canvas[data-film=ready]")).toBeVisible();
};

test("from a rep that failed to the gate it missed, its picture, the best beside it, and the report", async ({
  page,
}) => {
  await kept(page);
  await page
    .getByRole("link", { name: /^Rep \d+: Fail, Lead foot down sooner$/ })
    .first()
    .click();
  await expect(
    page.getByRole("img", { name: "Gate: Lead foot down by the top, fail" }),
  ).toBeVisible();
  const row = page.locator("li", { hasText: "Lead foot down by the top" });
  const value = (await row.locator("strong").first().innerText()).replace("−", "-");
  await row.getByText("Lead foot down by the top").click();
  const show = row.getByRole("button", { name: /^Show its picture/ });
  const at = Number(/, ([−\d]+) ms/.exec(await show.innerText())![1]!.replace("−", "-"));
  await page.keyboard.press("Shift+ArrowLeft");
  await show.click();
  expect(Math.abs((await told(page)) - at)).toBeLessThan(1000 / 60);
  await accessible(page);

  await page.getByRole("link", { name: "Compare with the best" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Lead foot down by the top");
  await expect(page.getByRole("row", { name: /^Lead foot down by the top/ })).toContainText(
    `${value.replace("-", "−")} ms`,
  );
  await page.getByRole("button", { name: "Films side by side" }).click();
  await expect(page.locator("canvas[data-film=ready][data-painted=film]")).toHaveCount(2);
  await accessible(page);
  // The best, and the target, as figures over the film of the one that failed: they are painted,
  // and gone without it.
  await page.getByRole("button", { name: "Figures over the film" }).click();
  await page.getByRole("link", { name: "the target" }).click();
  const film = page.locator("canvas[data-film=ready][data-painted=film]");
  await expect(film).toHaveCount(1);
  await expect(film).toHaveAttribute("data-figures", "2");
  await expect(page.getByRole("list").filter({ hasText: "the target" })).toBeVisible();
  await accessible(page);
  await page.goBack();
  await page.goBack();

  await page.getByRole("link", { name: "Report for a teacher" }).click();
  await expect(page.getByText("Fail: lead foot down sooner")).toBeVisible();
  await expect(page.getByRole("row", { name: /^Lead foot down by the top/ })).toContainText(
    `${value.replace("-", "−")} ±`,
  );
  await accessible(page);
  const csv = page.waitForEvent("download");
  await page.getByRole("link", { name: "All measures as CSV" }).click();
  const line = (await saved(csv))
    .toString("utf8")
    .split("\r\n")
    .find((l) => l.includes(",leadLandBeforeTop,"))!;
  expect(Math.round(Number(line.split(",")[7]))).toBe(Number(value));
});

test("what the golfer puts right is judged again at once, is kept, can be taken back; what can't be is said", async ({
  page,
}) => {
  await openFailed(page);
  await page.getByText("Did the program get something wrong?").click();
  // The lead foot landed two tenths of a second sooner; but it had not left yet then.
  await page.getByRole("button", { name: "Show: lead foot lands" }).click();
  for (let k = 0; k < 2; k++) await page.keyboard.press("Shift+ArrowLeft");
  await page.getByRole("button", { name: "lead foot lands here" }).click();
  await expect(
    page.getByText(/The lead foot leaves before it lands: .* Nothing was changed/),
  ).toBeVisible();
  await page.getByRole("button", { name: "Show: lead foot leaves" }).click();
  for (let k = 0; k < 2; k++) await page.keyboard.press("Shift+ArrowLeft");
  await page.getByRole("button", { name: "lead foot leaves here" }).click();
  await page.getByRole("button", { name: "Show: lead foot lands" }).click();
  for (let k = 0; k < 2; k++) await page.keyboard.press("Shift+ArrowLeft");
  await page.getByRole("button", { name: "lead foot lands here" }).click();
  await expect(
    page.getByText("With what you changed; before that: fail, lead foot down sooner."),
  ).toBeVisible();
  await expect(page.getByRole("heading", { level: 1 })).not.toHaveText("Lead foot down sooner");
  const now = await page.getByRole("heading", { level: 1 }).innerText();
  await page.getByLabel("Why?").fill("The film shows it.");
  await page
    .getByRole("radio", { name: "Not judged" })
    .or(page.getByRole("radio", { name: "Fail" }))
    .first()
    .click();
  await accessible(page);
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(now);
  await page.getByText("Did the program get something wrong?").click();
  for (let left = 2; left > 0; left--) {
    await expect(page.getByRole("button", { name: /^Take back/ })).toHaveCount(left);
    await page
      .getByRole("button", { name: /^Take back/ })
      .last()
      .click();
  }
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Lead foot down sooner");
  // Whoever leaves at once loses nothing: what was on its way is there a moment later.
  await expect(async () => {
    await page.reload();
    await page.getByText("Did the program get something wrong?").click();
    await expect(page.getByRole("button", { name: /^Take back/ })).toHaveCount(0, {
      timeout: 1000,
    });
  }).toPass({ timeout: 30_000 });

  // A list that was made before it was kept follows as soon as it is.
  const rep = page.url();
  const failed = page.getByRole("link", { name: /^Rep \d+: Fail, Lead foot down sooner$/ });
  await page.goto("/reps");
  await expect(failed.first()).toBeVisible();
  const before = await failed.count();
  await page.goto(rep);
  // A button that is pressed before the page has come to life does nothing.
  await expect(page.locator("canvas[data-film=ready]")).toBeVisible();
  await page.getByText("Did the program get something wrong?").click();
  const answers = await held(page, "**/corrections", "PUT");
  await page.getByLabel("Why?").fill("The film shows it.");
  await page.getByRole("radio", { name: "Pass", exact: true }).click();
  await page.getByRole("button", { name: "Overrule the program" }).click();
  await expect(page.getByRole("button", { name: /^Take back/ })).toBeVisible();
  await page.getByRole("link", { name: "Reps", exact: true }).click();
  await expect(page).toHaveURL(/\/reps$/);
  await expect(failed).toHaveCount(before);
  answers();
  await expect(failed).toHaveCount(before - 1);
  await page.goto(rep);
  // A button that is pressed before the page has come to life does nothing.
  await expect(page.locator("canvas[data-film=ready]")).toBeVisible();
  await page.getByText("Did the program get something wrong?").click();
  const undone = page.waitForResponse(
    (r) => r.url().endsWith("/corrections") && r.request().method() === "PUT",
  );
  await page.getByRole("button", { name: /^Take back/ }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Lead foot down sooner");
  expect((await undone).status()).toBe(204);
});

test("an event is dragged in the strip to where the film shows it, and taken back", async ({
  page,
}) => {
  await openFailed(page);
  const top = page.getByRole("button", { name: "top, 0 ms: show its picture" });
  await top.scrollIntoViewIfNeeded();
  const { x, y } = (await top.boundingBox())!;
  await page.mouse.move(x + 20, y + 8);
  await page.mouse.down();
  await isAbout(page, 0);
  await page.mouse.move(x + 20, y + 20);
  await page.mouse.move(x + 20, y + 26);
  await expect.poll(() => told(page)).toBeGreaterThan(15);
  const put = await told(page);
  await page.mouse.up();
  await page.getByText("Did the program get something wrong?").click();
  const back = page.getByRole("button", {
    name: new RegExp(`^Take back: top: 0 ms, the program says −${put} ms`),
  });
  await expect(back).toBeVisible();
  // The tests that follow find the rep as it was: taking back is kept before the page is closed.
  const kept = page.waitForResponse(
    (r) => r.url().endsWith("/corrections") && r.request().postData() === "[]",
  );
  await back.click();
  await expect(page.getByRole("button", { name: /^Take back/ })).toHaveCount(0);
  await expect(page.getByText(/^With what you changed/)).toHaveCount(0);
  expect((await kept).ok()).toBe(true);
});

test("insoles are laid on the film by the steps and shown beside the estimate; a file that is not of it is said", async ({
  page,
}) => {
  await openFailed(page);
  const file = page.getByLabel("The insoles’ file");
  await chooses(file, "demo/insoles/double-step-left.csv");
  await expect(
    page
      .getByRole("alert")
      .filter({ hasText: "nowhere in it does the weight move as in this rep" }),
  ).toBeVisible();
  await chooses(file, {
    name: "notes.csv",
    mimeType: "text/csv",
    buffer: Buffer.from("time,heel\n0,1"),
  });
  await expect(page.getByRole("alert").filter({ hasText: "no column t_ms" })).toBeVisible();
  await chooses(file, "demo/insoles/double-step-lead-late.csv");
  const told = page.getByText(
    /^Over the whole rep the film’s estimate was \d+ % of the weight away/,
  );
  await expect(told).toBeVisible();
  await expect(
    page
      .getByRole("region", { name: "Weight by film and by insoles" })
      .getByRole("row", { name: /^top / }),
  ).toContainText("% toe");
  await accessible(page);
  await page.reload();
  await expect(told).toBeVisible();
  // Over the film too, while they are there.
  const over = page.getByLabel("Load by your insoles");
  await over.check();
  await page.getByRole("button", { name: "Take the insoles off this rep" }).click();
  await expect(over).toBeHidden();
  await expect(told).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(told).toBeVisible();
});

test("a rep goes out as a picture, as a clip and as one file with all of it", async ({ page }) => {
  await openFailed(page);
  await page.getByLabel("Balance and weight").check();
  const still = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save this picture" }).click();
  const png = await saved(still);
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([720, 776]);

  // Half a second round an event, at a quarter of its speed.
  await page.keyboard.press("l");
  const clip = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as a clip" }).click();
  const film = new Input({ source: new BufferSource(await saved(clip)), formats: ALL_FORMATS });
  const track = (await film.getPrimaryVideoTrack())!;
  expect([track.displayWidth, track.displayHeight]).toEqual([720, 776]);
  const { packetCount } = await track.computePacketStats();
  expect(Math.abs(packetCount - 31)).toBeLessThanOrEqual(1);
  expect(await track.computeDuration()).toBeCloseTo(4 * (packetCount / 60), 1);

  const zip = page.waitForEvent("download");
  await page.getByRole("link", { name: "All of it as one file" }).click();
  const entries = await new ZipReader(
    new BlobReader(new Blob([new Uint8Array(await saved(zip))])),
  ).getEntries();
  const bytes = async (name: string) => {
    const entry = entries.find((e) => e.filename === name);
    if (!entry || entry.directory) throw new Error(`no ${name}`);
    return entry.getData(new Uint8ArrayWriter());
  };
  const manifest = repManifest.parse(
    JSON.parse(Buffer.from(await bytes("rep.json")).toString("utf8")),
  );
  expect(manifest.files.map((f) => f.name).slice(0, 2)).toEqual(["rep.track", "film.mp4"]);
  for (const f of manifest.files) expect(sha(await bytes(f.name))).toBe(f.sha256);
  expect(sha(readFileSync("demo/clips/double-step-lead-late.mp4"))).toBe(manifest.files[1]!.sha256);
});

test("by keyboard alone: pictures, events, help, what a check asks", async ({ page }) => {
  await openFailed(page);
  await page.keyboard.press(",");
  const before = await told(page);
  await page.keyboard.press("ArrowRight");
  await expect.poll(async () => (await told(page)) - before).toBeGreaterThan(10);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
  // On by Tab until the event's name, and the gate's row.
  const tabTo = async (name: RegExp) => {
    for (let k = 0; k < 90; k++) {
      await page.keyboard.press("Tab");
      if (
        name.test(
          await page.evaluate(
            () =>
              document.activeElement?.getAttribute("aria-label") ??
              document.activeElement?.textContent ??
              "",
          ),
        )
      )
        return;
    }
    throw new Error(`no way to ${name}`);
  };
  await tabTo(/^top, 0 ms/);
  await page.keyboard.press("Enter");
  await isAbout(page, 0);
  await tabTo(/Lead foot down by the top/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^Show its picture/ })).toBeVisible();
});

test("on a phone nothing of the evening runs off the screen", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openFailed(page);
  const rep = page.url();
  const compare = await page
    .getByRole("link", { name: "Compare with the best" })
    .getAttribute("href");
  await page.goto("/reps");
  const [bout, session] = await Promise.all(
    ["/bouts/", "/sessions/"].map((to) =>
      page.locator(`a[href^="${to}"]`).first().getAttribute("href"),
    ),
  );
  for (const path of [
    rep,
    `${rep}/report`,
    compare!,
    `${compare!}&target=1`,
    bout!,
    session!,
    "/record",
    "/reps",
  ]) {
    await page.goto(path);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBe(390);
    await accessible(page);
  }
  // Strips are drawn when they come into sight.
  await page.goto(session!);
  await expect(page.locator("[data-strip-of] svg").first()).toBeVisible();
});
