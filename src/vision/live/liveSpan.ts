import type { Track } from "../../core/track/track";
import type { Looking } from "../anytime/rounds";
import { windowIn } from "../cutoutWindows";
import type { Cutout } from "../decode/cutout";
import type { LumaWindow } from "../patches/lumaWindow";
import { Reading, type Seen } from "../reading";
import type { Place } from "./place";

/** A picture's part that is kept for a while, and what a look at it told. */
export interface Kept {
  t: number;
  cut: Cutout;
  feet: LumaWindow;
  seen: Seen | null;
  asked: boolean;
}

/** A part of the last seconds, on its own clock from `from` (ms on the camera's clock) on, which can be looked at more closely. */
export interface LiveSpan extends Looking {
  from: number;
  done: () => void;
}

/** What a span is made with: what is known of the camera and its surroundings, and who looks. */
interface Surroundings extends Pick<Track, "looks" | "others" | "model"> {
  size: { width: number; height: number; fps: number };
  faceOn: boolean;
  look: (kept: Kept) => Promise<Seen>;
  /** While closer looks are taken, others are not. */
  lookingCloser: (on: boolean) => void;
  done: () => void;
}

/** @param kept pictures in order @param to end of the span, ms on the camera's clock */
export function liveSpan(kept: readonly Kept[], place: Place, to: number, { size: { width, height, fps }, faceOn, looks, others, model, look, lookingCloser, done }: Surroundings): LiveSpan {
  const from = kept[0]!.t;
  const reading = new Reading(kept.length, place.square, place.feet, faceOn);
  kept.forEach((k, i) => {
    reading.times.push(k.t - from);
    reading.feet.push(k.feet);
    if (k.seen) reading.put(i, k.seen);
  });
  const within = <T extends { t: number }>(list: readonly T[]) => list.filter((e) => e.t >= from && e.t <= to).map((e) => ({ ...e, t: e.t - from }));
  const about = {
    looks: within(looks), others: within(others), sounds: [], crop: place.square, model,
    video: { width, height, frames: kept.length, fps, rotation: 0 as const, audio: false, durationMs: to - from },
  };
  return {
    from, done,
    looks: () => reading.track(about),
    followed: () => {
      const track = reading.track(about);
      reading.follow(track, 0, (i, x, y) => (kept[i] ? windowIn(kept[i].cut, x, y, place.reach) : null));
      return track;
    },
    lookAt: async (frames) => {
      if (!frames.length) return;
      lookingCloser(true);
      try {
        await Promise.all(frames.map(async (i) => reading.put(i, await look(kept[i]!))));
      } finally {
        lookingCloser(false);
      }
    },
  };
}
