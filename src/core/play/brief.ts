import type { RepSeries } from "../reps/series";
import type { Movement } from "./movement";

/** As much of a movement as a small picture of it shows: its strip at 20 samples a second, and one figure. */
export interface Brief extends Pick<Movement, "club" | "headRadius" | "events" | "checks" | "at"> {
  series: RepSeries | null;
  /** The frame at the top, or in the middle of a movement that has none; see `Movement.frames`. */
  frame: number[];
}

const EVERY = 3;

export function briefOf({ series, frames, fps, events, from, to, club, headRadius, checks, at }: Movement): Brief {
  const middle = events.top ?? (from + to) / 2;
  return {
    club, headRadius, events, checks, at, frame: frames[Math.min(frames.length - 1, Math.round((middle * fps) / 1000))]!,
    series: series && (Object.fromEntries(Object.entries(series).map(([name, values]) => [name, (values as number[]).filter((_, i) => i % EVERY === 0)])) as unknown as RepSeries),
  };
}
