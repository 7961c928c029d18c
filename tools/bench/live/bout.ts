import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { sameRep } from "../../../src/core/live/sameRep";
import type { Truth } from "../../study/truthClip";
import { recordLooks } from "./recordLooks";

export const truthOf = (film: string): Truth =>
  JSON.parse(readFileSync(film.replace(/mp4$/, "json"), "utf8")) as Truth;

/** The film of a bout of ten that stands in for the camera, and its truth. */
export const FILM = "demo/clips/double-step-bout.mp4";
export const truth = truthOf(FILM);
/** A film of one rep, its truth and its track. */
export const ONE_REP = {
  film: "demo/clips/double-step-good.mp4",
  track: "demo/tracks/double-step-good.track",
};

/** What one call of the stand-in network takes, ms. */
export const CALL_MS = 10;
/** For the page: the stand-in network answers. @param periodMs how often the film is played */
export const playedLooks = (periodMs?: number): string =>
  `{ looks: "/stand-in.looks", ms: ${CALL_MS}${periodMs === undefined ? "" : `, periodMs: ${periodMs}`} }`;

/** An answer as the page marks it; `about` is its rep's middle, ms on the camera's clock. */
export interface LiveAnswer {
  id: string;
  about: number;
  result: string;
  cue: string | null;
  delayMs: number | null;
}

/** Answers so far. */
export const answersOf = (page: Page): Promise<LiveAnswer[]> =>
  page.evaluate(() =>
    performance
      .getEntriesByName("kingfisher:answer")
      .map((e) => (e as PerformanceMark).detail as LiveAnswer),
  );

/** What was told of each true rep of a film that began at some time, ms. */
export const answersByRep = (
  answers: readonly LiveAnswer[],
  beganMs = 0,
  { reps } = truth,
): LiveAnswer[][] =>
  reps.map((r) => answers.filter((a) => sameRep(a.about - beganMs, r.events.top!)));

/**
 * Lets the stand-in network find what the real one says of the film. @param looks otherwise of
 * another one
 */
export async function serveLooks(page: Page, looks?: Buffer): Promise<void> {
  const body =
    looks ??
    readFileSync(await recordLooks(FILM, truth.camera.knock ? [truth.camera.knock.at * 1000] : []));
  await page.route("**/stand-in.looks", (route) =>
    route.fulfill({ body, contentType: "application/octet-stream" }),
  );
}

/**
 * Opens the page that films, presses *Try without a camera*, and waits until it runs. @param bench
 * what stands in, as script
 */
export async function startBout(
  page: Page,
  base: string,
  bench: string,
  reps = truth.reps.length,
): Promise<void> {
  await page.addInitScript(`window.kingfisherBench = ${bench}`);
  await page.goto(`${base}/film?drill=double-step&reps=${reps}`);
  await page.getByRole("button", { name: "Try without a camera" }).click();
  await page.waitForFunction(() => window.kingfisherBench.calls !== undefined, undefined, {
    timeout: 120_000,
  });
}
