import { expect, type Page } from "@playwright/test";

/** Gives the three answers on the first page, and goes on to reading clips. */
export async function answered(page: Page, statureCm = "170", hand: "Right" | "Left" = "Right"): Promise<void> {
  await page.getByLabel("How tall are you?").fill(statureCm);
  await page.getByRole("radio", { name: hand }).click();
  await page.getByRole("button", { name: "Read my swings" }).click();
  await expect(page).toHaveURL(/\/read/);
}
