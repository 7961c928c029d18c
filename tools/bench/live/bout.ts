import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { sameRep } from "../../../src/core/live/sameRep";
import type { Truth } from "../../study/truthClip";
import { recordLooks } from "./recordLooks";

/** The film of a bout of ten that stands in for the camera, and its truth. */
export const FILM = "demo/clips/double-step-bout.mp4";
export const truth = JSON.parse(readFileSync("demo/clips/double-step-bout.json", "utf8")) as Truth;

/** What one call of the stand-in network takes, ms; and, for the page, that it stands in. */
export const CALL_MS = 10;
export const STAND_IN = `{ looks: "/stand-in.looks", ms: ${CALL_MS} }`;

/** An answer as the page marks it; `about` is its rep's middle, ms on the camera's clock. */
export interface Told {
  id: string;
  about: number;
  result: string;
  cue: string | null;
  delayMs: number | null;
}

/** Answers so far. */
export const told = (page: Page): Promise<Told[]> => page.evaluate(() => performance.getEntriesByName("kingfisher:answer").map((e) => (e as PerformanceMark).detail as Told));

/** What was told of each true rep of the film that began at some time, ms. */
export const toldOf = (answers: readonly Told[], beganMs = 0): Told[][] => truth.reps.map((r) => answers.filter((a) => sameRep(a.about - beganMs, r.events.top!)));

/** Lets the stand-in network find what the real one says of the film. */
export async function serveLooks(page: Page): Promise<void> {
  const looks = await recordLooks(FILM, truth.camera.knock ? [truth.camera.knock.at * 1000] : []);
  await page.route("**/stand-in.looks", (route) => route.fulfill({ path: looks, contentType: "application/octet-stream" }));
}

/** Opens the page that films, presses *Try without a camera*, and waits until it runs. @param bench what stands in, as script */
export async function startBout(page: Page, base: string, bench: string): Promise<void> {
  await page.addInitScript(`window.kingfisherBench = ${bench}`);
  await page.goto(`${base}/film?drill=double-step&reps=10`);
  await page.getByRole("button", { name: "Try without a camera" }).click();
  await page.waitForFunction(() => (window as unknown as { kingfisherBench: { calls?: unknown } }).kingfisherBench.calls !== undefined, undefined, { timeout: 120_000 });
}
