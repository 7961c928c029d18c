import type { Page } from "@playwright/test";

/** Holds requests back, as a slow line does. @returns lets them go, and all later ones with them */
export async function held(page: Page, url: string | RegExp, method: string): Promise<() => void> {
  let go = () => {};
  const open = new Promise<void>((resolve) => (go = resolve));
  await page.route(url, async (route) => {
    if (route.request().method() === method) await open;
    await route.continue();
  });
  return go;
}
