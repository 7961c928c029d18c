import { expect, type Page } from "@playwright/test";

/** Gives the three answers on the first page, and goes on to reading clips. */
export async function answered(
  page: Page,
  statureCm = "170",
  hand: "Right" | "Left" = "Right",
): Promise<void> {
  await page.getByLabel("How tall are you?").fill(statureCm);
  await page.getByRole("radio", { name: hand }).click();
  await page.getByRole("button", { name: "Read my swings" }).click();
  await expect(page).toHaveURL(/\/read/);
}

/** Who practises in this browser, as reps are sent for them. */
export async function filmedFor(
  page: Page,
): Promise<{ id: string; hand: "right"; statureCm: number }> {
  const id = await page.locator("[data-golfer]").getAttribute("data-golfer");
  if (!id) throw new Error("nobody practises here");
  return { id, hand: "right", statureCm: 170 };
}
