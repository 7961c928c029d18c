import type { Square } from "../crop";
import type { FeetArea } from "../pictures";
import type { LumaWindow } from "../patches";
import { Reading, type AboutClip, type Seen } from "../read";
import type { Track } from "../../core/track";

/**
 * A picture of a span: its place in it, when it was (ms from the span's start), and what is new of
 * it.
 */
export interface SpanFrame {
  i: number;
  t: number;
  feet: LumaWindow | null;
  seen: Seen | null;
}

/**
 * What has been seen of a span since it was last asked for, and what its track says beside that.
 */
export interface SpanSeen {
  /** Spans of one rep, which all begin at the same picture, have the same one. */
  key: string;
  square: Square;
  feet: FeetArea;
  faceOn: boolean;
  frames: SpanFrame[];
  /** Brightness round the hands, where they may be followed. */
  hands: { i: number; window: LumaWindow }[];
  about: AboutClip;
}

/**
 * So many reps are under way at the same time: one is being judged, and the one before it
 * completed.
 */
const MOST = 3;

/**
 * Makes tracks of parts of what a camera saw, which grow as it goes on: each picture comes once,
 * and what was followed in it is known the next time.
 */
export class SpanReadings {
  private readonly readings = new Map<string, Reading>();

  /** @param most pictures that a span may have */
  constructor(private readonly most: number) {}

  /** The track of all that was seen of a span, with shoes and hands followed. */
  follow({ key, square, feet, faceOn, frames, hands, about }: SpanSeen): Track {
    const reading = this.readings.get(key) ?? new Reading(this.most, square, feet, faceOn);
    this.readings.set(key, reading);
    for (const old of [...this.readings.keys()].slice(0, -MOST)) this.readings.delete(old);
    for (const f of frames) {
      reading.times[f.i] = f.t;
      if (f.feet) reading.feet[f.i] = f.feet;
      if (f.seen) reading.put(f.i, f.seen);
    }
    const near = new Map(hands.map(({ i, window }) => [i, window]));
    const track = reading.track(about, 0, about.video.frames);
    reading.follow(track, 0, (i) => near.get(i) ?? null);
    return track;
  }
}
