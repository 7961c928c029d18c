import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { accessible } from "./accessible";

const sha = (bytes: Uint8Array | string) => createHash("sha256").update(bytes).digest("hex");

test.describe.configure({ mode: "serial" });

/** Reps of films that were read before: one lands late, one is good. */
async function kept(page: Page): Promise<void> {
  await page.goto("/reps");
  if (page.url().includes("/begin")) {
    await page.getByLabel("How tall are you?").fill("170");
    await page.getByRole("radio", { name: "Right" }).click();
    await page.getByRole("button", { name: "Read my swings" }).click();
    await expect(page).toHaveURL(/\/read/);
  }
  for (const name of ["double-step-lead-late", "double-step-good"]) {
    const [film, track] = [readFileSync(`demo/clips/${name}.mp4`), readFileSync(`demo/tracks/${name}.track`)];
    expect((await page.request.put(`/api/clips/${sha(film)}`, { data: film })).ok()).toBe(true);
    expect((await page.request.put(`/api/tracks/${sha(track)}`, { data: track })).ok()).toBe(true);
    const saved = await page.request.post("/api/reps", { data: { clip: { sha256: sha(film), name: `review-${name}.mp4`, bytes: film.length }, trackSha256: sha(track), drill: "double-step" } });
    expect(saved.status()).toBe(201);
  }
  await page.goto("/reps");
}

test("from a rep that failed to the gate it missed, its picture, the best beside it, and the report", async ({ page }) => {
  await kept(page);
  await page.getByRole("link", { name: /^Rep \d+: Fail, Lead foot down sooner$/ }).first().click();
  await expect(page.getByRole("img", { name: "Gate: Lead foot down by the top, fail" })).toBeVisible();
  const row = page.locator("li", { hasText: "Lead foot down by the top" });
  const value = (await row.locator("strong").first().innerText()).replace("−", "-");
  await row.getByText("Lead foot down by the top").click();
  const show = row.getByRole("button", { name: /^Show its picture/ });
  const at = Number(/, ([−\d]+) ms/.exec(await show.innerText())![1]!.replace("−", "-"));
  await page.keyboard.press("Shift+ArrowLeft");
  await show.click();
  const told = async () => Number((await page.getByTestId("strip-time").innerText()).replace("−", "-").replace(" ms", ""));
  expect(Math.abs((await told()) - at)).toBeLessThan(1000 / 60);
  await accessible(page);

  await page.getByRole("link", { name: "Compare with the best" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Lead foot down by the top");
  await expect(page.getByRole("row", { name: /^Lead foot down by the top/ })).toContainText(`${value.replace("-", "−")} ms`);
  await page.getByRole("button", { name: "Films side by side" }).click();
  await expect(page.locator("canvas[data-film=ready][data-painted=film]")).toHaveCount(2);
  await accessible(page);
  await page.goBack();

  await page.getByRole("link", { name: "Report for a teacher" }).click();
  await expect(page.getByText("Fail: lead foot down sooner")).toBeVisible();
  await expect(page.getByRole("row", { name: /^Lead foot down by the top/ })).toContainText(`${value.replace("-", "−")} ±`);
  await accessible(page);
  const csv = page.waitForEvent("download");
  await page.getByRole("link", { name: "All measures as CSV" }).click();
  const line = readFileSync((await (await csv).path())!, "utf8").split("\r\n").find((l) => l.includes(",leadLandBeforeTop,"))!;
  expect(Math.round(Number(line.split(",")[7]))).toBe(Number(value));
});

test("what the golfer puts right is judged again at once, is kept, can be taken back; what can't be is said", async ({ page }) => {
  await page.goto("/reps");
  await page.getByRole("link", { name: /^Rep \d+: Fail, Lead foot down sooner$/ }).first().click();
  await expect(page.locator("canvas[data-film=ready]")).toBeVisible();
  await page.getByText("Did the program get something wrong?").click();
  // The lead foot landed two tenths of a second sooner; but it had not left yet then.
  await page.getByRole("button", { name: "Show: lead foot lands" }).click();
  for (let k = 0; k < 2; k++) await page.keyboard.press("Shift+ArrowLeft");
  await page.getByRole("button", { name: "lead foot lands here" }).click();
  await expect(page.getByText(/The lead foot leaves before it lands: .* Nothing was changed/)).toBeVisible();
  await page.getByRole("button", { name: "Show: lead foot leaves" }).click();
  for (let k = 0; k < 2; k++) await page.keyboard.press("Shift+ArrowLeft");
  await page.getByRole("button", { name: "lead foot leaves here" }).click();
  await page.getByRole("button", { name: "Show: lead foot lands" }).click();
  for (let k = 0; k < 2; k++) await page.keyboard.press("Shift+ArrowLeft");
  await page.getByRole("button", { name: "lead foot lands here" }).click();
  await expect(page.getByText("With what you changed; before that: fail, lead foot down sooner.")).toBeVisible();
  await expect(page.getByRole("heading", { level: 1 })).not.toHaveText("Lead foot down sooner");
  const now = await page.getByRole("heading", { level: 1 }).innerText();
  await page.getByLabel("Why?").fill("The film shows it.");
  await page.getByRole("radio", { name: "Not judged" }).or(page.getByRole("radio", { name: "Fail" })).first().click();
  await accessible(page);
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(now);
  await page.getByText("Did the program get something wrong?").click();
  for (let left = 2; left > 0; left--) {
    await expect(page.getByRole("button", { name: /^Take back/ })).toHaveCount(left);
    await page.getByRole("button", { name: /^Take back/ }).last().click();
  }
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Lead foot down sooner");
});
