import { analyse, type AnalysedRep, type AnalyseOptions } from "../../src/core/analysis";
import type { Stage } from "../../src/core/drills";
import { stanceOf, type Look } from "../../src/core/live/stance";
import { watchFor, type Decided } from "../../src/core/live/watch";
import { seeded } from "../../src/core/maths/seeded";
import { at, type Track } from "../../src/core/track/track";
import { nextFrames } from "../../src/vision/anytime/plan";
import { lookInRounds, thinned } from "../../src/vision/anytime/rounds";
import { cutShort } from "./cutShort";
import { partly } from "./partly";

/** As the live session has them (vision/live/liveSession.ts, vision/worker/judge.worker.ts). */
const EVENLY_MS = 300;
const CLOSER_MS = 1500;
const SLACK = 0.75;
const COPIES = { rough: 2, judged: 16 } as const;
/** A look takes so much more or less than another, share of it. */
const UNEVEN = 0.2;
/** The golfer stands so long after the film's last picture, ms. */
const STANDS_MS = 4000;

/**
 * What a running camera would have answered, had this been before it and had the device looked so
 * often: looks one after another, none while a rep is judged, closer looks at their own price. The
 * time that an analysis takes is not counted.
 *
 * @param track read whole: every picture that is looked at says what the network once said of it
 */
export async function watchedLive(
  track: Track,
  stage: Stage,
  options: Omit<AnalyseOptions, "samples" | "live">,
  looksPerS: number,
  seed: number,
): Promise<AnalysedRep[]> {
  const r = seeded(seed);
  const lookMs = 1000 / looksPerS;
  const faceOn = stage.view === "face-on";
  const watch = watchFor(stage);
  const end = track.times[track.times.length - 1]!;
  const read = new Uint8Array(track.times.length);
  const looks: Look[] = [];
  const answered: Decided[] = [];
  let now = track.times[0]! + r.uniform() * lookMs;

  const spanTo = (ms: number) => {
    const cut = cutShort(track, ms);
    return () => partly(cut, read.subarray(0, cut.times.length), faceOn);
  };
  const lookAt = async (frames: readonly number[]) => {
    for (const i of frames) read[i] = 1;
    now += frames.length * lookMs;
  };
  const roomIn = (ms: number) => Math.floor(ms / lookMs);
  const judged = (copies: number) => (t: Track) =>
    analyse(t, { ...options, live: true, samples: copies });

  while (now < end + STANDS_MS) {
    const i = Math.max(
      0,
      track.times.findLastIndex((t) => t <= now),
    );
    read[i] = 1;
    looks.push({
      t: now > end ? now : track.times[i]!,
      points: track.landmarks.slice(at(i, 0), at(i + 1, 0)),
      presence: track.presence[i]!,
    });
    now += lookMs * (1 + UNEVEN * (2 * r.uniform() - 1));
    const { attempt, found } = watch.next(looks, stanceOf(looks));
    if (found) {
      const frames = nextFrames(spanTo(now)(), null, stage, faceOn, false, SLACK);
      await lookAt(thinned(frames, roomIn(EVENLY_MS)));
      continue;
    }
    if (!attempt) continue;
    const seen = { ...attempt, from: 0 };
    const soFar = spanTo(attempt.to);
    if (attempt.rough) {
      watch.take(seen, judged(COPIES.rough)(soFar()));
      continue;
    }
    const left = () => attempt.to + CLOSER_MS - now;
    const { analysis, all } = await lookInRounds(
      { wanted: stage, analyse: judged(COPIES.judged) },
      faceOn,
      { looks: soFar, followed: soFar, lookAt },
      {
        search: false,
        slack: SLACK,
        first: roomIn(EVENLY_MS),
        most: (known) => (watch.closer(seen, known) && left() > 0 ? roomIn(left() / 2) : 0),
      },
    );
    answered.push(...watch.take({ ...seen, all }, analysis).decided);
  }
  return answered.map((d) => d.rep);
}
