import type { AnalysedRep, Analysis } from "../../core/analysis";
import type { Drill } from "../../core/drills";
import type { Aim, Reach } from "../../core/film";
import type { LoopAnswer, LoopEvent, LoopState, Obstacle, Sound } from "../../core/live";
import type { VerdictSummary } from "../../core/judge";
import type { Track } from "../../core/track";
import type { LivePicture, LiveWant, SpanSeen } from "../live";
import type { Came } from "./networkFiles";
import type { AboutDevice } from "./protocol";

/** What a camera gives: of a real one as the browser says, of the stand-in as its film is. */
export interface CameraSize {
  width: number;
  height: number;
  fps: number;
}

/** What is filmed for. */
export interface FilmFor {
  /** A built-in drill by its id, or a golfer's own. */
  drill: string | Drill;
  stage: string;
  statureCm: number;
  hand: "left" | "right";
  /** How far the movement's body goes; null where that is not known. */
  reach: Reach | null;
  /**
   * Reps of a bout, and how many of this one were counted before (of a page that was loaded again).
   */
  reps: number;
  already: number;
}

/** The state of the loop as the page shows it. */
export interface LoopShown {
  state: LoopState;
  answers: LoopAnswer[];
  obstacle: Obstacle | null;
  aim: Aim | null;
  /** The phone has been found to stand well enough. */
  aimed: boolean;
}

/** A track as a file, and its sha-256 in hex. */
export interface TrackFile {
  track: Uint8Array;
  trackSha256: string;
}

/**
 * What was seen of a rep, or of reps that hang together; when its track begins, ms on the camera's
 * clock.
 */
export interface LiveTrack extends TrackFile {
  id: string;
  trackFrom: number;
}

/** A rep that was answered; times in ms on the camera's clock. */
export interface LiveAnswer extends LiveTrack {
  /**
   * What it is kept with: its own id, or that of the first of the reps that hang together with it.
   */
  keptIn: string;
  rep: AnalysedRep;
  /** Its middle: its top, where it has one. */
  about: number;
  /** Which stretch is worth keeping on film. */
  film: { from: number; to: number };
  deciding: number | null;
  answeredAt: number;
}

/** What the page hears from the live worker (by comlink). */
export interface LiveListener {
  state(shown: LoopShown): void;
  sound(sound: Sound): void;
  /** See `LiveSessionOptions`. */
  tooSlow(looksPerS: number | null): void;
  answered(answer: LiveAnswer): void;
  /**
   * The whole of what answered reps are kept with: takes the place of what they were judged from.
   */
  completed(track: LiveTrack): void;
}

/**
 * What a closer look at a film told of each rep in it, whose middles are on the film's clock, ms.
 */
export interface ReadAgain extends TrackFile {
  reps: { about: number; told: VerdictSummary }[];
}

export interface LiveWorker {
  /** Loads the network, telling what of its files has come the first time. */
  warm(told?: (came: Came) => void): Promise<AboutDevice>;
  /** @param pictures where the camera's pictures come from, and what is wanted of them goes */
  start(
    film: FilmFor,
    size: CameraSize,
    pictures: MessagePort,
    listener: LiveListener,
  ): Promise<void>;
  /**
   * Listens too. @param sound where a microphone's sound comes from, each block a `SoundBlock` on
   * its own clock
   */
  hear(sound: MessagePort): void;
  tell(event: LoopEvent): void;
  /** The phone's roll by its own sensor, degrees, + clockwise as its screen is seen. */
  rolled(deg: number): void;
  /** A track on the clock of a film that began so much earlier, ms. */
  onFilmClock(track: Uint8Array, earlierMs: number): TrackFile;
  /**
   * Reads a film closely while the camera's pictures are not looked at; null when it can't be read,
   * or that was stopped.
   */
  readAgain(film: Blob, told: (share: number) => void): Promise<ReadAgain | null>;
  stopReading(): void;
}

/** What the live worker says to the camera's. */
export type ToCamera =
  { type: "want"; want: LiveWant } | { type: "back"; data: Uint8Array<ArrayBuffer> };
/** And what comes from there. */
export interface FromCamera {
  picture: LivePicture;
  /**
   * The camera's clock less performance.now() of whoever reads it with the same time origin, ms.
   */
  clock: number;
}

export interface CameraWorker {
  /**
   * @param frames of a real camera, or the port on which a stand-in posts them
   * @param pictures where what the live worker wants of them goes
   */
  start(
    frames: ReadableStream<VideoFrame> | MessagePort,
    size: CameraSize,
    pictures: MessagePort,
    lost: (message: string) => void,
  ): Promise<{ records: boolean }>;
  /**
   * The film between two times, once the camera has come so far, and when it really begins; null
   * when there is none.
   */
  clip(
    fromMs: number,
    toMs: number,
  ): Promise<{ file: Blob; sha256: string; fromMs: number } | null>;
  stop(): void;
}

export interface StandIn {
  /**
   * Opens films that are played one after another as a camera would film them, at their own rate;
   * posts each picture, and its sound.
   */
  open(
    films: string[],
    pictures: MessagePort,
    preview: OffscreenCanvas | null,
    sound: MessagePort | null,
  ): Promise<CameraSize>;
  /** Starts the first film. */
  play(): void;
  /** Whether the preview is to be seen. */
  shows(on: boolean): void;
}

export interface JudgeWorker {
  /** Judges something that is thrown away: code that has run before runs several times as fast. */
  warm(): Promise<void>;
  /** @param roughly with as few copies as give an uncertainty at all */
  analyse(track: Track, film: FilmFor, roughly: boolean): Promise<Analysis>;
  /** See `SpanReadings`. */
  follow(seen: SpanSeen): Promise<Track>;
}
