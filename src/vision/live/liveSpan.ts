import { finishTrack, midHands, roughReps, type Track } from "../../core/track";
import type { Looking } from "../anytime";
import { windowIn, windowOf } from "../pictures";
import type { Cutout } from "../decode";
import { HANDS_S, Reading, type Seen } from "../read";
import type { Onset } from "../sound";
import type { CropPlace } from "./place";
import type { SpanFrame, SpanSeen } from "./spanReadings";

/**
 * A picture's part that is kept for a while, its number on this camera, and what a look at it told.
 */
export interface Kept {
  n: number;
  t: number;
  cut: Cutout;
  seen: Seen | null;
  asked: boolean;
}

/**
 * A part of the last seconds, on its own clock from `from` (ms on the camera's clock) on, which can
 * be looked at more closely.
 */
export interface LiveSpan extends Looking {
  from: number;
  followed: () => Promise<Track>;
  done: () => void;
}

/**
 * What a span is made with: what is known of the camera and its surroundings, and who looks and
 * follows.
 */
interface Surroundings extends Pick<Track, "looks" | "others" | "model"> {
  size: { width: number; height: number; fps: number };
  faceOn: boolean;
  look: (kept: Kept) => Promise<Seen>;
  follow: (seen: SpanSeen) => Promise<Track>;
  /** Sudden sounds between two times, ms on the camera's clock; null where nothing listens. */
  heard: (from: number, to: number) => Onset[] | null;
  /** What of which picture has been handed on to be followed, by the span's first picture. */
  handedOn: HandedOn;
  /** While closer looks are taken, others are not. */
  lookingCloser: (on: boolean) => void;
  done: () => void;
}

/**
 * Of each span, by its first picture's number: pictures whose feet were handed on, and those whose
 * look was.
 */
export type HandedOn = Map<number, { feet: number; looks: Set<number> }>;

/**
 * Hands are handed on for so much longer each way than they are followed, s: later looks move a
 * rough top.
 */
const HANDS_SPARE_S = 0.15;

/** @param kept pictures in order @param to end of the span, ms on the camera's clock */
// eslint-disable-next-line max-lines-per-function -- its callbacks share one span's readings
export function liveSpan(
  kept: readonly Kept[],
  place: CropPlace,
  to: number,
  around: Surroundings,
): LiveSpan {
  const {
    size: { width, height, fps },
    faceOn,
    looks,
    others,
    model,
    look,
    follow,
    heard,
    handedOn,
    lookingCloser,
    done,
  } = around;
  const { t: from, n: first } = kept[0]!;
  const { square, feet, reach } = place;
  const within = <T extends { t: number }>(list: readonly T[]) =>
    list.filter((e) => e.t >= from && e.t <= to).map((e) => ({ ...e, t: e.t - from }));
  const sounds = heard(from, to);
  const about = {
    looks: within(looks),
    others: within(others),
    sounds: within(sounds ?? []),
    crop: square,
    model,
    video: {
      width,
      height,
      frames: kept.length,
      fps,
      rotation: 0 as const,
      audio: sounds !== null,
      durationMs: to - from,
    },
  };
  const reading = new Reading(kept.length, square, feet, faceOn);
  kept.forEach((k, i) => {
    reading.times.push(k.t - from);
    if (k.seen) reading.put(i, k.seen);
  });
  /** What has not been handed on of this span. */
  const fresh = (): SpanFrame[] => {
    const known = handedOn.get(first) ?? { feet: 0, looks: new Set<number>() };
    handedOn.set(first, known);
    const frames = kept.flatMap((k, i) => {
      const [newFeet, newLook] = [i >= known.feet, k.seen !== null && !known.looks.has(i)];
      if (newLook) known.looks.add(i);
      return newFeet || newLook
        ? [
            {
              i,
              t: k.t - from,
              feet: newFeet ? windowOf(k.cut, feet.left, feet.top, feet.width, feet.height) : null,
              seen: newLook ? k.seen : null,
            },
          ]
        : [];
    });
    known.feet = Math.max(known.feet, kept.length);
    return frames;
  };
  const handsWindows = (): SpanSeen["hands"] => {
    const track = finishTrack(reading.track(about), faceOn);
    const hands = midHands(track);
    const span = Math.round((HANDS_S + HANDS_SPARE_S) * fps);
    const near = new Set(
      roughReps(track).flatMap(({ top }) =>
        Array.from({ length: 2 * span + 1 }, (_, k) => top - span + k),
      ),
    );
    return kept.flatMap((k, i) =>
      near.has(i) ? [{ i, window: windowIn(k.cut, hands.x[i]!, hands.y[i]!, reach) }] : [],
    );
  };
  return {
    from,
    done,
    looks: () => reading.track(about),
    followed: () =>
      follow({
        key: `${first}`,
        square,
        feet,
        faceOn,
        frames: fresh(),
        hands: handsWindows(),
        about,
      }),
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
