import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** No violation of WCAG 2.2 A and AA that axe can tell. */
export async function accessible(page: Page): Promise<void> {
  // A note that is still fading in has not the contrast it will have.
  await page.evaluate(() => Promise.allSettled(document.getAnimations().filter((a) => Number.isFinite(Number(a.effect?.getComputedTiming().endTime))).map((a) => a.finished)));
  const { violations } = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target).join(", ")}`)).toEqual([]);
}
