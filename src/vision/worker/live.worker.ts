import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { expose, transfer, wrap } from "comlink";
import { middleMs } from "../../core/analysis";
import { findStage, stageOf, type Stage } from "../../core/drills";
import { summaryOf } from "../../core/judge/verdict";
import { readTrack, writeTrack } from "../../core/formats/trackFile";
import { shiftTrack } from "../../core/track/shiftTrack";
import type { Track } from "../../core/track/track";
import { boxOf } from "../crop/resample";
import { cutoutArea } from "../decode/cutout";
import { ClipError } from "../decode/clipError";
import { LiveSession } from "../live/liveSession";
import { readLooks, standInNetwork, type RecordedLooks } from "../live/standInNetwork";
import { Ears } from "../sound/ears";
import type { SoundBlock } from "../sound/onsets";
import type { PoseNetwork } from "../network/poseNetwork";
import type { Came } from "./networkFiles";
import { onGraphics, onProcessor, type Loaded } from "./loadBrowser";
import { readFilm } from "./readFilm";
import type {
  FilmFor,
  FromCamera,
  JudgeWorker,
  LiveWorker,
  ReadAgain,
  ToCamera,
  TrackFile,
} from "./liveProtocol";

let loaded: Promise<Loaded> | null = null;
let session: LiveSession | null = null;
let filmFor: FilmFor | null = null;
let ears: Ears | null = null;
let reading: AbortController | null = null;
let judge: { worker: Worker; remote: ReturnType<typeof wrap<JudgeWorker>> } | null = null;

/** The camera, its encoder and two networks leave one free of so many. */
const CORES_TO_SPARE = 6;

/** On film a rep begins this long before its hands start, ms. */
const FILM_BEFORE_MS = 4000;

const load = (told?: (came: Came) => void) =>
  (loaded ??= choose(told).catch((error: unknown) => {
    loaded = null;
    throw error;
  }));

/** A camera does not wait: what the network runs on is chosen before it starts. */
async function choose(told?: (came: Came) => void): Promise<Loaded> {
  const processor = await onProcessor(told);
  const graphics = await onGraphics(processor).catch(() => null);
  if (!graphics) return processor;
  processor.end();
  return graphics;
}

const live: LiveWorker = {
  warm: async (bench, told) => {
    if (bench && bench !== "bare") await recorded(bench.looks);
    judge ??= startJudge();
    // Cold it judges as well, only later.
    void judge.remote.warm().catch(() => {});
    return (await load(told)).about;
  },
  async start(film, size, pictures, listener) {
    filmFor = film;
    ears = null;
    const { network: real } = await load();
    if (film.bench === "bare") return void runBare(real, size, pictures);
    const network = film.bench
      ? standInNetwork(real, await recorded(film.bench.looks), film.bench.ms, film.bench.periodMs)
      : real;
    judge ??= startJudge();
    const { remote } = judge;
    const stage = stageFor(film);
    let clock = -Infinity;
    const say = (message: ToCamera, give: Transferable[] = []) =>
      pictures.postMessage(message, give);
    const own = (session = new LiveSession(network, {
      sparing: (navigator.hardwareConcurrency || 1) < CORES_TO_SPARE,
      stage,
      size,
      golfer: { statureCm: film.statureCm, hand: film.hand },
      reach: film.reach,
      reps: film.reps,
      already: film.already,
      // The least delay of a picture on its way here is taken for none.
      now: () => performance.timeOrigin + performance.now() + clock,
      newId: () => crypto.randomUUID(),
      want: (want) => say({ type: "want", want }),
      release: (data) => say({ type: "back", data }, [data.buffer]),
      analyse: (track, roughly = false) => remote.analyse(track, film, roughly),
      follow: (seen) =>
        remote.follow(
          transfer(seen, [
            ...seen.frames.flatMap(({ feet }) => feet?.data.buffer ?? []),
            ...seen.hands.map(({ window }) => window.data.buffer),
          ] as ArrayBuffer[]),
        ),
      heard: (from, to) =>
        ears?.between(from - clock, to - clock).map(({ t, db }) => ({ t: t + clock, db })) ?? null,
      state: (s) =>
        void listener.state({
          state: s.value,
          answers: s.context.answers,
          obstacle: s.context.obstacle,
          aim: s.context.aim,
          aimed: s.context.aimed,
        }),
      sound: (sound) => void listener.sound(sound),
      tooSlow: (looksPerS) => void listener.tooSlow(looksPerS),
      answered: ({
        id,
        keptIn,
        rep,
        about,
        track,
        trackFrom,
        from,
        recordedTo,
        deciding,
        answeredAt,
      }) => {
        const start = trackFrom + (rep.events.handStart?.t ?? rep.from);
        const seen = file(track);
        void listener.answered(
          transfer(
            {
              ...seen,
              id,
              keptIn,
              trackFrom,
              rep,
              about,
              film: { from: Math.min(trackFrom, from, start - FILM_BEFORE_MS), to: recordedTo },
              deciding,
              answeredAt,
            },
            [seen.track.buffer as ArrayBuffer],
          ),
        );
      },
      completed: ({ id, track, trackFrom }) => {
        const seen = file(track);
        void listener.completed(
          transfer({ ...seen, id, trackFrom }, [seen.track.buffer as ArrayBuffer]),
        );
      },
    }));
    pictures.onmessage = ({ data }: MessageEvent<FromCamera>) => {
      clock = Math.max(clock, data.clock);
      own.take(data.picture);
    };
  },
  hear(sound) {
    const own = (ears = new Ears());
    sound.onmessage = ({ data }: MessageEvent<SoundBlock>) =>
      own.hear(data, performance.timeOrigin + performance.now());
  },
  tell: (event) => session?.tell(event),
  rolled: (deg) => void (session && (session.rollDeg = deg)),
  onFilmClock: (track, earlierMs) => file(shiftTrack(readTrack(track), earlierMs)),
  readAgain: (film, told) => readAgain(film, told),
  stopReading: () => reading?.abort(),
  calls: () => session?.reader.calls ?? bareCalls,
};

/** Progress is told so often, ms. */
const TOLD_MS = 200;

async function readAgain(film: Blob, told: (share: number) => void): Promise<ReadAgain | null> {
  if (!filmFor || !judge) return null;
  const asked = filmFor;
  const stop = (reading = new AbortController());
  session?.rests(true);
  try {
    let last = 0;
    const { drill, stage: stageId, statureCm, hand } = asked;
    const stage = stageFor(asked);
    const { track } = await readFilm(film, async () => (await load()).network, {
      faceOn: stage.view === "face-on",
      signal: stop.signal,
      asked: {
        drill: typeof drill === "string" ? drill : drill.id,
        stage: stageId,
        by: stage,
        golfer: { statureCm, hand },
        live: true,
      },
      progress: ({ share }) => {
        if (performance.now() - last < TOLD_MS) return;
        last = performance.now();
        told(share);
      },
    });
    const { reps } = await judge.remote.analyse(track, asked, false);
    if (stop.signal.aborted) return null;
    const seen = file(track);
    const said = reps.flatMap((r) =>
      r.verdict ? [{ about: middleMs(r), told: summaryOf(r.verdict) }] : [],
    );
    return transfer({ ...seen, reps: said }, [seen.track.buffer as ArrayBuffer]);
  } catch (error) {
    // What can't be read closer keeps its first answer.
    if (error instanceof ClipError) return null;
    throw error;
  } finally {
    session?.rests(false);
  }
}

const stageFor = ({ drill, stage }: FilmFor): Stage =>
  typeof drill === "string" ? findStage(drill, stage).stage : stageOf(drill, stage);

let looks: Promise<RecordedLooks> | null = null;
const recorded = (url: string): Promise<RecordedLooks> =>
  (looks ??= fetch(url)
    .then((r) => r.arrayBuffer())
    .then(readLooks));
let bareCalls = 0;

/** What the network alone manages while the same camera runs and is copied out of and recorded. */
function runBare(
  network: PoseNetwork,
  { width, height }: { width: number; height: number },
  pictures: MessagePort,
): void {
  const area = cutoutArea(
    [boxOf({ cx: width / 2, cy: height / 2, size: height * BARE_SQUARE })],
    width,
    height,
  );
  pictures.postMessage({ type: "want", want: { area, wholeEveryMs: 1000 } } satisfies ToCamera);
  pictures.onmessage = ({ data: { picture } }: MessageEvent<FromCamera>) => {
    const data = picture.part?.frame.data as Uint8Array<ArrayBuffer> | undefined;
    if (data) pictures.postMessage({ type: "back", data } satisfies ToCamera, [data.buffer]);
  };
  const run = async (): Promise<void> => {
    for (;;) {
      network.done(await network.landmarks(network.crop()));
      bareCalls++;
    }
  };
  for (let k = 0; k < network.atOnce; k++) void run();
}

/** About the golfer's share of the picture's height. */
const BARE_SQUARE = 0.64;

function file(track: Track): TrackFile {
  const bytes = writeTrack(track);
  return { track: bytes, trackSha256: bytesToHex(sha256(bytes)) };
}

function startJudge(): NonNullable<typeof judge> {
  const worker = new Worker(new URL("./judge.worker.ts", import.meta.url), { type: "module" });
  return { worker, remote: wrap<JudgeWorker>(worker) };
}

expose(live);
