import type { Simulation } from "../../src/core/figure/simulate";
import type { Truth as ExactTruth } from "../../src/core/figure/truth/truth";
import type { Track } from "../../src/core/track/track";
import { exactTrack } from "./exactTrack";
import { seenTrack } from "./seenTrack";
import type { TruthRep } from "./truthClip";

/** Half of the lens's angle across the picture. */
const HALF_LENS = (67 * Math.PI) / 360;

/**
 * A simulation as a phone at a distance, cm, and the network might have seen it: 720p at 60
 * pictures a second.
 */
export function filmed(
  sim: Simulation,
  stillUntilMs: number,
  { hand, distance }: { hand: "left" | "right"; distance: number },
  seed: number,
): Track {
  const exact = exactTrack(sim, { hand, fps: 60, distance, height_px: 720 });
  const focal = exact.video.width / 2 / Math.tan(HALF_LENS);
  return seenTrack(exact, distance / focal, stillUntilMs, seed);
}

/** Exact truth in the shape that a rendered clip's has on disk. */
export const truthRep = (t: ExactTruth): TruthRep => ({
  ...t.rep,
  events: t.events,
  footEvents: t.footEvents,
  turns: t.turns,
  measures: t.measures,
  from: t.from,
  to: t.to,
});
