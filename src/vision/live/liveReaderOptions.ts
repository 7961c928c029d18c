import type { Look, Stance } from "../../core/live";
import type { Track } from "../../core/track";
import type { Cutout, Box } from "../decode";
import type { Onset } from "../sound";
import type { SpanSeen } from "./spanReadings";

/**
 * What a running camera hands on of a picture: the part that was wanted, and now and then all of
 * it.
 */
export interface LivePicture {
  /** ms on the camera's clock. */
  t: number;
  part: Cutout | null;
  whole: Cutout | null;
}

/** What the reader wants of the pictures to come. */
export interface LiveWant {
  area: Box | null;
  /** A whole picture is wanted once in so many ms. */
  wholeEveryMs: number;
}

export interface LiveReaderOptions {
  faceOn: boolean;
  /** Of the upright picture, px; and pictures a second. */
  size: { width: number; height: number; fps: number };
  want: (want: LiveWant) => void;
  /** Called after each look. */
  looked: (stance: Stance, looks: readonly Look[]) => void;
  /**
   * Follows shoes and hands in part of what was seen, somewhere where that keeps nothing waiting.
   */
  follow: (seen: SpanSeen) => Promise<Track>;
  /** There are few processors: while a rep is judged the network leaves one to that. */
  sparing?: boolean;
  /** Sudden sounds between two times, ms on the camera's clock; null where nothing listens. */
  heard?: (from: number, to: number) => Onset[] | null;
  /** Gives back memory of pictures that are let go. */
  release?: (data: Uint8Array<ArrayBuffer>) => void;
}
