import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** No violation of WCAG 2.2 A and AA that axe can tell. */
export async function accessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"]).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target).join(", ")}`)).toEqual([]);
}
