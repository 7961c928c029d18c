import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { transfer, wrap, type Remote } from "comlink";
import { middleMs } from "../../core/analysis";
import { findStage, stageOf, type Stage } from "../../core/drills";
import { summaryOf } from "../../core/judge";
import { readTrack, writeTrack } from "../../core/formats";
import { shiftTrack, type Track } from "../../core/track";
import { ClipError } from "../decode";
import { LiveSession, type AnsweredRep, type SpanSeen } from "../live";
import type { AboutDevice } from "./protocol";
import type { LoopEvent } from "../../core/live";
import { Ears, type SoundBlock } from "../sound";
import type { Came } from "./networkFiles";
import type { Loaded } from "./loadBrowser";
import { readFilm } from "./readFilm";
import type {
  CameraSize,
  FilmFor,
  FromCamera,
  JudgeWorker,
  LiveAnswer,
  LiveListener,
  LiveWorker,
  ReadAgain,
  ToCamera,
  TrackFile,
} from "./liveProtocol";

/** The camera, its encoder and two networks leave one free of so many. */
const CORES_TO_SPARE = 6;

/** On film a rep begins this long before its hands start, ms. */
const FILM_BEFORE_MS = 4000;

type LoadNetwork = (told?: (came: Came) => void) => Promise<Loaded>;

/** What a page says to the worker that looks at its camera (see `LiveWorker`). */
export class LiveFilming implements LiveWorker {
  private loaded: Promise<Loaded> | null = null;
  private session: LiveSession | null = null;
  private filmFor: FilmFor | null = null;
  private ears: Ears | null = null;
  private reading: AbortController | null = null;
  private judge: { worker: Worker; remote: Remote<JudgeWorker> } | null = null;

  /** @param loadNetwork called once, and again after it failed */
  constructor(private readonly loadNetwork: LoadNetwork) {}

  async warm(told?: (came: Came) => void): Promise<AboutDevice> {
    // Cold it judges as well, only later.
    void this.judges()
      .warm()
      .catch(() => {});
    return (await this.load(told)).about;
  }

  async start(
    film: FilmFor,
    size: CameraSize,
    pictures: MessagePort,
    listener: LiveListener,
  ): Promise<void> {
    this.filmFor = film;
    this.ears = null;
    const { network } = await this.load();
    const remote = this.judges();
    let clock = -Infinity;
    const say = (message: ToCamera, give: Transferable[] = []) =>
      pictures.postMessage(message, give);
    const session = (this.session = new LiveSession(network, {
      sparing: (navigator.hardwareConcurrency || 1) < CORES_TO_SPARE,
      stage: stageFor(film),
      size,
      golfer: { statureCm: film.statureCm, hand: film.hand },
      reach: film.reach,
      reps: film.reps,
      already: film.already,
      // The picture that came with the least delay sets the clock.
      now: () => performance.timeOrigin + performance.now() + clock,
      newId: () => crypto.randomUUID(),
      want: (want) => say({ type: "want", want }),
      release: (data) => say({ type: "back", data }, [data.buffer]),
      analyse: (track, roughly = false) => remote.analyse(track, film, roughly),
      follow: (seen) => remote.follow(transfer(seen, buffersOf(seen))),
      heard: (from, to) =>
        this.ears?.between(from - clock, to - clock).map(({ t, db }) => ({ t: t + clock, db })) ??
        null,
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
      answered: (answer) => {
        const sent = liveAnswer(answer);
        void listener.answered(transfer(sent, [sent.track.buffer as ArrayBuffer]));
      },
      completed: ({ id, track, trackFrom }) => {
        const file = trackFile(track);
        void listener.completed(
          transfer({ ...file, id, trackFrom }, [file.track.buffer as ArrayBuffer]),
        );
      },
    }));
    pictures.onmessage = ({ data }: MessageEvent<FromCamera>) => {
      clock = Math.max(clock, data.clock);
      session.take(data.picture);
    };
  }

  hear(sound: MessagePort): void {
    const own = (this.ears = new Ears());
    sound.onmessage = ({ data }: MessageEvent<SoundBlock>) =>
      own.hear(data, performance.timeOrigin + performance.now());
  }

  tell(event: LoopEvent): void {
    this.session?.tell(event);
  }

  rolled(deg: number): void {
    if (this.session) this.session.rollDeg = deg;
  }

  onFilmClock(track: Uint8Array, earlierMs: number): TrackFile {
    return trackFile(shiftTrack(readTrack(track), earlierMs));
  }

  async readAgain(film: Blob, told: (share: number) => void): Promise<ReadAgain | null> {
    const { filmFor } = this;
    if (!filmFor) return null;
    const stop = (this.reading = new AbortController());
    this.session?.rests(true);
    try {
      let last = 0;
      const { drill, stage: stageId, statureCm, hand } = filmFor;
      const stage = stageFor(filmFor);
      const { track } = await readFilm(film, async () => (await this.load()).network, {
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
          if (performance.now() - last < PROGRESS_MS) return;
          last = performance.now();
          told(share);
        },
      });
      const { reps } = await this.judges().analyse(track, filmFor, false);
      if (stop.signal.aborted) return null;
      const file = trackFile(track);
      const judged = reps.flatMap((r) =>
        r.verdict ? [{ about: middleMs(r), told: summaryOf(r.verdict) }] : [],
      );
      return transfer({ ...file, reps: judged }, [file.track.buffer as ArrayBuffer]);
    } catch (error) {
      // What can't be read closer keeps its first answer.
      if (error instanceof ClipError) return null;
      throw error;
    } finally {
      this.session?.rests(false);
    }
  }

  stopReading(): void {
    this.reading?.abort();
  }

  /** The network, loaded once. */
  protected load(told?: (came: Came) => void): Promise<Loaded> {
    return (this.loaded ??= this.loadNetwork(told).catch((error: unknown) => {
      this.loaded = null;
      throw error;
    }));
  }

  private judges(): Remote<JudgeWorker> {
    if (!this.judge) {
      const worker = new Worker(new URL("./judge.worker.ts", import.meta.url), { type: "module" });
      this.judge = { worker, remote: wrap<JudgeWorker>(worker) };
    }
    return this.judge.remote;
  }
}

/** Progress is told so often, ms. */
const PROGRESS_MS = 200;

const stageFor = ({ drill, stage }: FilmFor): Stage =>
  typeof drill === "string" ? findStage(drill, stage).stage : stageOf(drill, stage);

const buffersOf = ({ frames, hands }: SpanSeen): ArrayBuffer[] =>
  [
    ...frames.flatMap(({ feet }) => feet?.data.buffer ?? []),
    ...hands.map(({ window }) => window.data.buffer),
  ] as ArrayBuffer[];

function trackFile(track: Track): TrackFile {
  const bytes = writeTrack(track);
  return { track: bytes, trackSha256: bytesToHex(sha256(bytes)) };
}

/** An answer as the page hears it. */
function liveAnswer({ track, from, recordedTo, ...answer }: AnsweredRep): LiveAnswer {
  const { id, keptIn, trackFrom, rep, about, deciding, answeredAt } = answer;
  const start = trackFrom + (rep.events.handStart?.t ?? rep.from);
  return {
    ...trackFile(track),
    id,
    keptIn,
    trackFrom,
    rep,
    about,
    film: { from: Math.min(trackFrom, from, start - FILM_BEFORE_MS), to: recordedTo },
    deciding,
    answeredAt,
  };
}
