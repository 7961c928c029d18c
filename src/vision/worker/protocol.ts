import type { ReadSoFar } from "../read";

/** What the page and the reading worker say to each other (by comlink). */
export interface Progress {
  step: "loading" | "looking" | "reading" | "judging";
  /** How far reading is; absent while nothing can be counted. */
  far?: ReadSoFar;
}

/** A clip error as it crosses to the page: errors lose their class on the way. */
export interface ReadFailure {
  ok: false;
  code: string;
  message: string;
  action: string;
}

export interface ReadSuccess {
  ok: true;
  /** The track as a file, and its sha-256 in hex. */
  track: Uint8Array;
  trackSha256: string;
  clipSha256: string;
  timings: { decodeMs: number; cropMs: number; networkMs: number; totalMs: number };
  durationMs: number;
}

/** What the clip is read for: then only the pictures that it takes are read. */
export interface ReadFor {
  drill: string;
  /** Absent = the drill's main stage from in front. */
  stage?: string | undefined;
  statureCm: number;
  hand: "left" | "right";
}

/** What the network runs on, on this device. */
export interface AboutDevice {
  on: "processor" | "graphics";
  /** Pictures looked at at the same time, and what one takes then, ms. */
  atOnce: number;
  lookMs: number;
  model: string;
  /**
   * How far a graphics processor saw the worst point from where the processor does, px of the crop.
   */
  apartPx?: number;
}

export interface Reader {
  /** Loads runtime and network, so that the first clip need not wait for them. */
  warm(): Promise<AboutDevice>;
  read(
    file: File,
    readFor: ReadFor,
    onProgress: (p: Progress) => void,
  ): Promise<ReadSuccess | ReadFailure>;
  cancel(): void;
}
