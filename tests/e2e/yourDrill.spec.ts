import { readFileSync, writeFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { accessible } from "./accessible";
import { chooses } from "./alive";

// Stands on what firstClip.spec leaves: a golfer with a failed rep of the double step. Files run in
// the order of their names.
test.describe.configure({ mode: "serial" });
let edited = "";

test("a drill's own limits are set beside the last reps, kept as versions, and gone back from", async ({
  page,
}) => {
  await page.goto("/drills/double-step");
  await page.getByRole("button", { name: "Make a copy of your own" }).click();
  await expect(page).toHaveURL(/\/drills\/own-[0-9a-f]+\/edit$/);
  edited = new URL(page.url()).pathname;
  await accessible(page);
  const check = page
    .getByRole("listitem")
    .filter({ has: page.getByRole("textbox", { name: "Name of the check" }) })
    .filter({ hasText: "From the lead foot's landing to the top" });
  await expect(page.getByText(/Nothing changes for your last \d+: .*1 fail/)).toBeVisible();
  // What else came late with the foot is shown only, so that its landing alone decides.
  for (const other of ["the lead arm being level on the way back", "the weight crosses the middle"])
    await page
      .getByRole("listitem")
      .filter({ has: page.getByRole("textbox", { name: "Name of the check" }) })
      .filter({ hasText: other })
      .getByLabel("Counts as")
      .selectOption("advice");
  await check.getByLabel("Not below").fill("-400");
  await expect(
    page.getByText(/1 of your last \d+ would be judged otherwise: .*1 pass.*, instead of 1 fail/),
  ).toBeVisible();
  await check.getByLabel("Not above").fill("-500");
  await expect(
    page
      .getByRole("alert")
      .filter({ hasText: "The lower limit must be below the upper one." })
      .first(),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: "Keep as version 2" })).toBeDisabled();
  for (let k = 0; k < 4; k++) await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Nothing to keep.")).toBeVisible();
  for (let k = 0; k < 4; k++) await page.getByRole("button", { name: "Redo" }).click();
  await check.getByLabel("Not above").fill("-390");
  await expect(check.getByText("nothing can pass")).toBeVisible();
  await check.getByLabel("Not above").fill("");
  await page.getByRole("button", { name: "Keep as version 2" }).click();
  await expect(page.getByText("Kept as version 2.")).toBeVisible();
  await page.reload();
  await expect(check.getByLabel("Not below")).toHaveValue("-400");
  await page.getByRole("button", { name: "Go back to it" }).click();
  await expect(check.getByLabel("Not below")).toHaveValue("-40");
  await expect(page.getByRole("listitem").filter({ hasText: "Version 3," })).toBeVisible();
});

test("a drill goes out as a file and comes in again; a wrong one is told what is wrong and where", async ({
  page,
}) => {
  await page.goto(edited.replace("/edit", ""));
  const coming = page.waitForEvent("download");
  await page.getByRole("link", { name: "Save as a file" }).click();
  const file = await (await coming).path();
  const drill = JSON.parse(readFileSync(file, "utf8")) as {
    stages: { checks: { band: [number, number] }[] }[];
  };
  await page.goto("/drills");
  drill.stages[0]!.checks[1]!.band = [9, 3];
  writeFileSync(".work/wrong.drill.json", JSON.stringify({ ...drill, script: "x" }));
  await chooses(page.getByLabel("Drill file"), ".work/wrong.drill.json");
  const alert = page.getByRole("alert").filter({ hasText: "was not taken in" });
  await expect(alert).toContainText(
    "stages 1 (whole-fo), checks 2 (small-step), band: The lower limit must be below the upper one.",
  );
  await expect(alert).toContainText("script: Is not known here");
  await accessible(page);
  await chooses(page.getByLabel("Drill file"), file);
  await expect(page).toHaveURL(/\/drills\/own-[0-9a-f]+\/edit$/);
  await page.getByRole("button", { name: "Put this drill in the bin" }).click();
  await expect(page.getByText("In the bin.")).toBeVisible();
});

test("before a drill's first rep the golfer is asked, and is not let on in pain", async ({
  page,
}) => {
  await page.goto("/drills/feet-together");
  await page.getByRole("link", { name: "Begin", exact: true }).click();
  await accessible(page);
  const say = (question: string, answer: "Yes" | "No") =>
    page.getByRole("radiogroup", { name: question }).getByRole("radio", { name: answer }).click();
  await say("Does anything hurt now?", "Yes");
  await expect(
    page.getByText("See a physiotherapist, a doctor or a qualified teacher first."),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: "Go on" })).toHaveCount(0);
  await say("Does anything hurt now?", "No");
  await say("A recent injury or operation, or dizziness?", "No");
  await say("Can you stand on each leg for ten seconds?", "Yes");
  await say("Are floor and shoes dry, and do they grip?", "Yes");
  await say("Is there room for the whole club, above and behind, and nobody in it?", "Yes");
  await page.getByRole("button", { name: "Go on" }).click();
  await expect(page).toHaveURL(/\/film\?drill=feet-together/);
  await page.goto("/drills/feet-together");
  await expect(page.getByRole("link", { name: "Read clips" }).last()).toHaveAttribute(
    "href",
    "/read?drill=feet-together",
  );
});

test("sides and stance are kept, and drills follow them", async ({ page }) => {
  await page.goto("/you");
  await accessible(page);
  const back = page.getByRole("group", { name: "What does the trail foot press, going back?" });
  await back.getByRole("radio", { name: /^Big toe/ }).check();
  await page.reload();
  await expect(back.getByRole("radio", { name: /^Big toe/ })).toBeChecked();
  await page.goto("/drills?notice=sway");
  await expect(
    page.getByText("Not your side on what the trail foot presses going back: heel").first(),
  ).toBeVisible();
  await page.goto("/you");
  await back.getByRole("radio", { name: /^Leave it/ }).check();

  await page.goto("/drills/three-stances");
  await page.getByLabel("Fingertip to fingertip, cm").fill("176");
  await expect(page.getByText("Begin with the trail foot a hand ahead")).toBeVisible();
  await page.getByRole("button", { name: "Trail foot a hand ahead" }).click();
  await expect(page.getByText("Kept as your stance: trail foot a hand ahead.")).toBeVisible();
  await accessible(page);
  await page.goto("/drills/board-behind");
  await expect(page.getByText("Yours: trail foot a hand ahead.")).toBeVisible();
});
