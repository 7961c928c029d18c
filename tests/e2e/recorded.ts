import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { readTrack } from "../../src/core/formats/trackFile";
import { looksOfTracks } from "../../tools/standIn/looksFile";
import { standIn } from "../../tools/standIn/standIn";

const trackOf = (name: string) => readTrack(readFileSync(`demo/tracks/${name}.track`));

/**
 * Has clips of the demo read by a network that says what the real one once said of them.
 *
 * @param page before it is loaded
 * @param ms what a look takes
 */
export const readsRecorded = (page: Page, names: readonly string[], ms = 1): Promise<void> =>
  standIn(page, {
    clips: {
      looks: Object.fromEntries(names.map((n) => [`${n}.mp4`, looksOfTracks([trackOf(n)])])),
      ms,
    },
  });

/**
 * Before each film the golfer stands still so long (a busy computer takes its time to see that), and
 * after it they hold the finish, s.
 */
const PAUSES = { waitS: 4, restS: 3 };
/** A look takes what it takes on a good phone, ms. */
const LOOK_MS = 10;

/** Films of the demo stand in for the camera, and what the network once said of them for it. */
export const filmsRecorded = (page: Page, names: readonly string[]): Promise<void> =>
  standIn(page, {
    live: { looks: looksOfTracks(names.map(trackOf), PAUSES), ms: LOOK_MS },
    camera: { films: names.map((n) => `/samples/${n}.mp4`), times: 1, ...PAUSES },
  });
