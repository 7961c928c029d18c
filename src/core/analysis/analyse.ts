import type { Track } from "../track";
import { openAnalysis } from "./openAnalysis";
import type { AnalyseOptions } from "./options";
import type { Analysis } from "./result";

/**
 * From a track to verdicts: scene, motion, reps, measures, judge; and the same again on perturbed
 * copies for every uncertainty.
 *
 * @throws RangeError when the drill, the stage or the stature makes no sense
 */
export const analyse = (original: Track, options: AnalyseOptions): Analysis =>
  openAnalysis(original, options).analysis;
