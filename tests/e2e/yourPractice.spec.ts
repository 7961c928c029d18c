import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { expect, test, type Page } from "@playwright/test";
import { accessible } from "./accessible";
import { chooses } from "./alive";
import { answered } from "./begun";
import { held } from "./held";

test.describe.configure({ mode: "serial" });

const known = async (page: Page): Promise<void> => {
  await page.goto("/plan");
  if (!page.url().includes("/begin")) return;
  await answered(page);
  await page.goto("/plan");
};

test("a week from what is noticed, moved by keys and taken back, left out, and taken away as a calendar", async ({
  page,
}) => {
  await known(page);
  // Next week has all its days before it.
  await page.getByRole("link", { name: "Next week →" }).click();
  await expect(page).toHaveURL(/week=/);
  if (!(await page.getByLabel("Ends on the trail foot").isVisible()))
    await page.getByText("What is the plan made from?").click();
  await page.getByLabel("Ends on the trail foot").check();
  await page.getByRole("button", { name: "Keep this and plan again" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/bouts? to come$/);
  await accessible(page);
  const first = page.getByRole("button", { name: /^Move / }).first();
  const name = /^Move (.*): up and down arrows$/.exec(
    (await first.getAttribute("aria-label"))!,
  )![1]!;
  await first.focus();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByText(new RegExp(`^${name} is on \\w+ now\\.$`))).toBeVisible();
  // What is taken back stands at once: a menu opened before the computer has answered stays open.
  const answers = await held(page, /\/plan/, "POST");
  await page.getByRole("button", { name: "Undo" }).click();
  await page
    .getByRole("button", { name: `Change ${name}` })
    .first()
    .click();
  const plans = page.locator("button", { hasText: "Plan the rest again" });
  await expect(plans).toBeDisabled();
  answers();
  await expect(plans).toBeEnabled();
  await page.keyboard.press("End");
  await expect(page.getByRole("menuitem").last()).toBeFocused();
  await page.keyboard.press("Escape");
  const calendar = page.waitForEvent("download");
  await page.getByRole("link", { name: "Save calendar file" }).click();
  const before = readFileSync(await (await calendar).path(), "utf8");
  const events = (text: string) => text.match(/BEGIN:VEVENT/g)?.length ?? 0;
  expect(events(before)).toBeGreaterThan(1);
  expect(before).toContain(`SUMMARY:${name}`);
  await page
    .getByRole("button", { name: `Change ${name}` })
    .first()
    .click();
  await page.getByRole("menuitem", { name: "Leave it out" }).click();
  await expect(page.getByText(`${name} is left out.`)).toBeVisible();
  await page.reload();
  const after = page.waitForEvent("download");
  await page.getByRole("link", { name: "Save calendar file" }).click();
  expect(events(readFileSync(await (await after).path(), "utf8"))).toBe(events(before) - 1);
});

test("a bout without film stands in the log, is found by its words, has its row, and goes through the bin", async ({
  page,
}) => {
  await known(page);
  await page.goto("/reps/add");
  await page.getByLabel("Drill").selectOption({ label: "Ball toss" });
  await page.getByLabel("Reps done").fill("16");
  await page.getByLabel("Good ones, as you saw it").fill("20");
  await page.getByLabel("A line of notes").fill("between the showers");
  await page.getByRole("button", { name: "Add the bout" }).click();
  await expect(page.getByText("No more can pass than were done.")).toBeVisible();
  await page.getByLabel("Good ones, as you saw it").fill("11");
  await page.getByRole("button", { name: "Add the bout" }).click();
  await expect(page).toHaveURL(/\/bouts\//);
  await page.getByLabel("Strike").selectOption("clean");
  await page.getByLabel("Tags").fill("rainy, lesson");
  await page.getByRole("button", { name: "Keep this" }).click();
  await expect(page.getByText("Kept.")).toBeVisible();
  await accessible(page);
  await page.goto("/reps");
  await page.getByLabel("Words in notes, names and places").fill("showers toss");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/text=showers/);
  const row = page.getByRole("region", { name: /^Ball toss/ });
  await expect(row).toHaveCount(1);
  await expect(row).toContainText("16 reps counted by you");
  await expect(row).toContainText("strike clean");
  await expect(page).toHaveTitle(/^Reps/);
  await accessible(page);
  await page.getByLabel("any tag").selectOption("lesson");
  await expect(row).toHaveCount(1);
  await row.getByRole("link", { name: "Ball toss" }).click();
  await page.getByRole("button", { name: "Put this bout into the bin" }).click();
  await page.goto("/reps?text=showers");
  await expect(page.getByText("Nothing in your log is like that.")).toBeVisible();
  await page.goto("/bin");
  await page
    .getByRole("button", { name: /^Take out again: bout/ })
    .first()
    .click();
  await page.goto("/reps?text=showers");
  await expect(page.getByRole("region", { name: /^Ball toss/ })).toHaveCount(1);
});

test("the body is asked after once a day, a sore one gets an easy week; a stage is gone on from and gone back to", async ({
  page,
}) => {
  // Of somebody who has done nothing yet today.
  await page.goto("/begin");
  await answered(page, "181", "Left");
  await page.goto("/film?drill=double-step");
  await page.getByRole("heading", { name: "Before you begin: is anything sore?" }).waitFor();
  await accessible(page);
  await page.getByRole("button", { name: "Something is" }).click();
  await page.getByRole("button", { name: "lower back" }).click();
  await expect(page.getByRole("heading", { name: /sore/ })).toBeHidden();
  // Open, for nothing of it has been said yet.
  await page.goto("/plan");
  await expect(page.getByText(/^Your lower back, since/)).toBeVisible();
  await page.getByRole("button", { name: "It is well again" }).click();
  await expect(page.getByLabel("What?")).toBeVisible();

  await page.goto("/drills/trail-foot-pivot");
  const stages = page.locator("section", { has: page.getByRole("heading", { name: "Stages" }) });
  await stages.getByRole("button", { name: "Go on without it" }).click();
  await expect(stages.getByText(/^You went on from it on/)).toBeVisible();
  await accessible(page);
  await page.reload();
  await stages.getByRole("button", { name: "Stay on it after all" }).click();
  await expect(stages.getByText(/^You went on from it on/)).toBeHidden();
});

test("all of it goes out as one file and comes back; a damaged one is refused and nothing changes", async ({
  page,
}, info) => {
  await known(page);
  await page.goto("/data");
  await accessible(page);
  const title = await page.getByRole("heading", { level: 1 }).innerText();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save a backup" }).click();
  const file = info.outputPath("backup.zip");
  await (await download).saveAs(file);
  const bytes = readFileSync(file);
  const damaged = path.join(path.dirname(file), "damaged.zip");
  const cut = Buffer.from(bytes);
  cut[Math.floor(bytes.length / 2)]! ^= 1;
  writeFileSync(damaged, cut);
  await chooses(page.getByLabel("The file", { exact: true }), damaged);
  await page.getByRole("button", { name: "Put it in the place of what is here" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "What was there stands." })).toBeVisible();
  await chooses(page.getByLabel("The file", { exact: true }), file);
  await page.getByRole("button", { name: "Put it in the place of what is here" }).click();
  await expect(page.getByText(/^All of it is back\./)).toBeVisible({ timeout: 60_000 });
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(title);
});
