import { expect, type Locator } from "@playwright/test";

/**
 * Waits until the page answers at this element: the server's markup is there before React listens
 * to it, and what is chosen or pressed in between is lost.
 */
async function alive(element: Locator): Promise<Locator> {
  await expect
    .poll(() =>
      element.evaluate((node) => Object.keys(node).some((key) => key.startsWith("__reactProps"))),
    )
    .toBe(true);
  return element;
}

/** Chooses files in an input that listens. */
export const chooses = async (
  input: Locator,
  files: Parameters<Locator["setInputFiles"]>[0],
): Promise<void> => (await alive(input)).setInputFiles(files);
