import type { Problem } from "../scene";
import { realTime, type Track } from "../track";
import { readReps, type FoundRep, type ReadReps } from "./readReps";
import type { AnalysisRequest } from "./options";

/**
 * A swing at real speed: longer (or shorter) than this asks about slow motion (docs/movement.md,
 * scale and view), ms.
 */
const BACK_RANGE = [400, 2000] as const;
const DOWN_RANGE = [150, 600] as const;
/** The rough top and lowest hands may each be 100 ms from the true ones, ms. */
const LONGEST_DOWN = 800;
/** Asks for the rate of a film that seems to be in slow motion. */
export const SLOW_MOTION: Problem = {
  code: "slowMotion",
  message: "Filmed in slow motion? The swing lasts too long for real speed.",
  action: "Say at how many pictures a second it was filmed.",
  touches: "rep",
};

/**
 * A swing in a film that plays at 1/8, 1/4 or half of its real speed; null where none is found.
 */
export function slowSwing(original: Track, asked: AnalysisRequest): ReadReps | null {
  for (const times of [8, 4, 2]) {
    const read = readReps(realTime(original, original.video.fps * times), asked);
    if (read.reps.length && !tooSlow(read.reps[0]!)) return read;
  }
  return null;
}

/** Whether a swing lasts too long, or too short, for real speed. */
export function tooSlow({ rep: { events }, motion, window }: FoundRep): boolean {
  const outside = (v: number, [lo, hi]: readonly [number, number]) => v < lo || v > hi;
  // Arms that take longer to come down, whatever was taken for an impact meanwhile; from behind
  // they seem to stay up.
  const arms =
    window.low === undefined || motion.view === "down-the-line"
      ? 0
      : (window.low - window.about) * motion.dt * 1000;
  return (
    outside(events.top - events.handStart, BACK_RANGE) ||
    outside(events.impact - events.top, DOWN_RANGE) ||
    arms > LONGEST_DOWN
  );
}
