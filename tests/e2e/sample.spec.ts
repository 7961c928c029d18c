import { expect, test } from "@playwright/test";
import { accessible } from "./accessible";

test("from nothing to the first drill without a camera: a verdict, five swings, a profile in plain words", async ({
  page,
}) => {
  await page.goto("/begin");
  await page.getByRole("button", { name: "Try without a camera" }).click();
  const card = page.getByRole("article", { name: "double-step-lead-late.mp4" });
  await expect(card.getByText("Lead foot down sooner")).toBeVisible({ timeout: 420_000 });
  await page.getByRole("button", { name: "Read her five swings" }).click();
  await expect(page).toHaveURL(/sample=swings/);
  await expect(page.getByRole("link", { name: "See what they show" })).toBeVisible({
    timeout: 900_000,
  });
  await page.getByRole("link", { name: "See what they show" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(
    "Your hips go away from the target",
  );
  await expect(page.getByText("From five swings")).toBeVisible();
  await accessible(page);
  await page.getByRole("link", { name: "They were with the driver" }).click();
  await expect(page.getByText("taken for swings with the driver")).toBeVisible();
  await page.goBack();
  await expect(page.getByText("taken for swings with an iron")).toBeVisible();
  await page.getByRole("link", { name: "Go to the drill" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Heel and toe swap");
});
