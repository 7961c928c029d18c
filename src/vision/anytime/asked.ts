import { analyse, type AnalyseOptions, type Analysis } from "../../core/analysis";
import { findStage } from "../../core/drills";
import type { Track } from "../../core/track";
import type { Wanted } from "./plan";

/** What is wanted of a clip: then only as many pictures are read as it takes to know that. */
export interface Asked {
  wanted: Wanted;
  /** Analyses what has been read so far; few perturbed copies are enough. */
  analyse: (track: Track) => Analysis | Promise<Analysis>;
}

/** Perturbed copies behind a verdict that only tells where to look closer. */
const COPIES = 16;

export const askedFor = (wanted: Wanted, options: Omit<AnalyseOptions, "samples">): Asked => ({
  wanted,
  analyse: (track) => analyse(track, { ...options, samples: COPIES }),
});

/**
 * What a drill's stage asks of a clip; nothing where every picture is wanted: without a drill, and
 * for reps that are no swings, whose parts the plan does not know yet.
 */
export function askedBy(options: Omit<AnalyseOptions, "samples">): Asked | undefined {
  if (options.drill === "none") return undefined;
  const stage = options.by ?? findStage(options.drill, options.stage).stage;
  return stage.rules.kind === "swing" || stage.rules.kind === "step-swing"
    ? askedFor(stage, options)
    : undefined;
}
