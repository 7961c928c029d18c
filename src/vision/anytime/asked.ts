import { analyse, type AnalyseOptions } from "../../core/analyse";
import { findStage } from "../../core/drills";
import type { Asked } from "../read";

/** Perturbed copies behind a verdict that only tells where to look closer. */
const COPIES = 16;

/** What a drill's stage asks of a clip; null where every picture is wanted: without a drill, and for reps that are no swings, whose parts the plan does not know yet. */
export function askedBy(options: Omit<AnalyseOptions, "samples">): Asked | null {
  if (options.drill === "none") return null;
  const { stage } = findStage(options.drill, options.stage);
  if (stage.rules.kind !== "swing" && stage.rules.kind !== "step-swing") return null;
  return { wanted: stage, analyse: (track) => analyse(track, { ...options, samples: COPIES }) };
}
