import { analyse, type AnalyseOptions } from "../../core/analyse";
import { findStage } from "../../core/drills";
import type { Asked } from "../read";

/** Perturbed copies behind a verdict that only tells where to look closer. */
const COPIES = 16;

/** What a drill's stage asks of a clip; null without a drill, when every picture is wanted. */
export function askedBy(options: Omit<AnalyseOptions, "samples">): Asked | null {
  if (options.drill === "none") return null;
  return { wanted: findStage(options.drill, options.stage).stage, analyse: (track) => analyse(track, { ...options, samples: COPIES }) };
}
