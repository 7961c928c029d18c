import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { sameRep } from "../../../src/core/live/sameRep";
import type { Truth } from "../../study/truthClip";
import { counted } from "../../standIn/standIn";
import { recordLooks } from "../../standIn/recordLooks";

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

/** What one call of the recorded network takes, ms. */
export const CALL_MS = 10;

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

/** What the real network says of the film, recorded once. */
export async function recordedBout(): Promise<Buffer> {
  const knocks = truth.camera.knock ? [truth.camera.knock.at * 1000] : [];
  return readFileSync(await recordLooks(FILM, knocks));
}

/**
 * Opens the page that films, presses *Try without a camera*, and waits until it runs.
 *
 * @param page with a stand-in camera that counts (see `standIn`)
 */
export async function startBout(page: Page, base: string, reps = truth.reps.length): Promise<void> {
  await page.goto(`${base}/film?drill=double-step&reps=${reps}`);
  await page.getByRole("button", { name: "Try without a camera" }).click();
  for (const until = performance.now() + STARTED_MS; performance.now() < until;)
    if (await counted(page, "pictures")) return;
  throw new Error("the film that stands in for a camera did not begin");
}

const STARTED_MS = 120_000;
