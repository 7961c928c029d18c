import { expect, test } from "@playwright/test";
import { drillsFor, SYMPTOM_ROWS } from "../../src/core/choose/symptoms";
import { someOf } from "../whole";
import { accessible } from "./accessible";

test("from a complaint to its drill in three steps, by pointer", async ({ page }) => {
  for (const symptom of someOf(SYMPTOM_ROWS, 4)) {
    await page.goto("/drills");
    // On a busy computer the page is seen before it answers.
    await page.waitForFunction(() => performance.getEntriesByName("usable").length > 0);
    await page.getByRole("button", { name: symptom.name }).click();
    await expect(page.getByRole("heading", { level: 1 })).toHaveText(symptom.usually);
    const [first] = drillsFor(symptom.id);
    await page
      .getByRole("list", { name: "Drills, the first to try first" })
      .getByRole("link")
      .first()
      .click();
    await expect(page.getByRole("heading", { level: 1 })).toHaveText(first!.name);
  }
});

test("by keyboard, in the golfer's own words, and back again", async ({ page }) => {
  await page.goto("/drills");
  await accessible(page);
  await page.getByRole("searchbox", { name: "What do you notice?" }).focus();
  await page.keyboard.type("i catch the grond first");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(
    "Usually the weight is still on the trail foot",
  );
  await accessible(page);
  const link = page.getByRole("link", { name: "Ball toss" });
  for (let k = 0; k < 40 && !(await link.evaluate((a) => a === document.activeElement)); k++)
    await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/drills\/ball-toss$/);
  await page.goBack();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(
    "Usually the weight is still on the trail foot",
  );
});

test("what is asked for narrows the list, and an empty one says how to widen it", async ({
  page,
}) => {
  await page.goto("/drills?notice=sway&place=range&minutes=5");
  await expect(page.getByText("no drill")).toBeVisible();
  await page.getByRole("button", { name: "any place, time and level" }).click();
  await expect(page.getByText("4 drills")).toBeVisible();
});

test("a drill shows its movement, its faults and what is checked", async ({ page }) => {
  await page.goto("/drills/double-step");
  await expect(
    page.getByRole("img", { name: "The whole drill, as it is asked for, seen from in front" }),
  ).toBeVisible();
  await page.getByRole("button", { name: "Stop" }).click();
  await accessible(page);
  const checks = page.getByRole("list", { name: "What is checked, in the order it happens" });
  await expect(checks.getByText("Foot before hands")).toBeVisible();
  await page
    .getByRole("combobox", { name: "What is played?" })
    .selectOption({ label: "fault: hands first" });
  await expect(
    page.getByText("The hands are on their way before the trail foot leaves."),
  ).toBeVisible();
  await expect(page.getByRole("img", { name: /hands first/ })).toBeVisible();
  for (const [drill, gate] of [
    ["double-step", "Foot before hands"],
    ["trail-foot-pivot", "A full turn"],
    ["rocking-board-side", "Ground leads the hands"],
    ["hips-on-wall", "Hips keep off the ball"],
  ]) {
    await page.goto(`/drills/${drill}`);
    await expect(
      page
        .getByRole("group", { name: /The movement as a strip/ })
        .getByRole("img", { name: `Gate: ${gate}`, exact: true }),
    ).toBeVisible();
    await page.getByRole("button", { name: "Stop" }).click();
    await accessible(page);
  }
  await expect(page.getByText("rehearsal: counted, not judged").first()).toBeVisible();
  await page.goto("/drills/trail-toe-behind");
  const path = page.getByRole("region", { name: "Its path" });
  await expect(path).toContainText("Feet together begins it");
  await path.getByRole("link", { name: "Heel keeps pace" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Heel keeps pace");
  await page.goto("/drills/nothing-like-it");
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
});
