import type { AnalysedRep, Analysis } from "../../core/analyse";
import type { Drill } from "../../core/drills";
import type { Aim } from "../../core/film/aimSteps";
import type { Reach } from "../../core/film/plan";
import type { Answer, LoopEvent, LoopState, Obstacle, Sound } from "../../core/live/loop";
import type { Told } from "../../core/judge/verdict";
import type { Track } from "../../core/track/track";
import type { LivePicture, LiveWant } from "../live/liveReader";
import type { SpanSeen } from "../live/spanReadings";
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
  /** Reps of a bout, and how many of this one were counted before (of a page that was loaded again). */
  reps: number;
  already: number;
  /** For benches: a recording that answers in place of the network, in so many ms; or the network alone, on whatever it is given. */
  bench?: undefined | { looks: string; ms: number } | "bare";
}

/** The state of the loop as the page shows it. */
export interface LoopShown {
  state: LoopState;
  answers: Answer[];
  obstacle: Obstacle | null;
  aim: Aim | null;
  /** The phone has been found to stand well enough. */
  aimed: boolean;
}

/** What was seen of a rep: its track as a file, and sha-256 in hex. */
export interface LiveTrack {
  id: string;
  track: Uint8Array;
  trackSha256: string;
}

/** A rep that was answered; times in ms on the camera's clock. */
export interface LiveAnswer extends LiveTrack {
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
  /** The whole of an answered rep: takes the place of what it was judged from. */
  completed(track: LiveTrack): void;
}

/** What a closer look at a rep's film told. */
export interface ReadAgain {
  track: Uint8Array;
  trackSha256: string;
  told: Told;
}

export interface LiveWorker {
  /** Loads the network, telling what of its files has come the first time; or what a bench puts in its place. */
  warm(bench?: FilmFor["bench"], told?: (came: Came) => void): Promise<AboutDevice>;
  /** @param pictures where the camera's pictures come from, and what is wanted of them goes */
  start(film: FilmFor, size: CameraSize, pictures: MessagePort, listener: LiveListener): Promise<void>;
  tell(event: LoopEvent): void;
  /** The phone's roll by its own sensor, degrees, + clockwise as its screen is seen. */
  rolled(deg: number): void;
  /**
   * Reads a rep's film closely while the camera's pictures are not looked at; null when not exactly one rep is found in it, or
   * it was stopped.
   */
  readAgain(film: Blob, told: (share: number) => void): Promise<ReadAgain | null>;
  stopReading(): void;
  /** Calls of the network so far. */
  calls(): number;
}

/** What the live worker says to the camera's. */
export type ToCamera = { type: "want"; want: LiveWant } | { type: "back"; data: Uint8Array<ArrayBuffer> };
/** And what comes from there. */
export interface FromCamera {
  picture: LivePicture;
  /** The camera's clock less performance.now() of whoever reads it with the same time origin, ms. */
  clock: number;
}

export interface CameraWorker {
  /**
   * @param frames of a real camera, or the port on which a stand-in posts them
   * @param pictures where what the live worker wants of them goes
   */
  start(frames: ReadableStream<VideoFrame> | MessagePort, size: CameraSize, pictures: MessagePort, lost: (message: string) => void): Promise<{ records: boolean }>;
  /** The film between two times, once the camera has come so far; null when there is none. */
  clip(fromMs: number, toMs: number): Promise<{ file: Blob; sha256: string } | null>;
  /** Pictures that the camera gave so far, and those of them that were recorded. */
  pictures(): { taken: number; recorded: number };
  stop(): void;
}

export interface StandIn {
  /** Plays films one after another as a camera would, at their own rate, and all of them so many times; posts each picture. */
  play(films: string[], times: number, pictures: MessagePort, preview: OffscreenCanvas | null): Promise<CameraSize>;
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
