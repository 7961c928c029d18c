import type { Overrides } from "../reps";
import type { Scene } from "../scene";
import type { Track } from "../track";
import type { CopiesPart, Sampled } from "../uncertainty";
import { middle, type FoundRep } from "./readReps";
import { analyseRep } from "./analyseRep";
import { Copies } from "./copies";
import { overriddenRep } from "./override";
import { findReps } from "./findReps";
import type { AnalysedRep, Analysis } from "./result";
import { askedOf, type AnalyseOptions } from "./options";

/** An analysis of which single reps can be read again as the golfer says. */
export interface OpenAnalysis {
  /** Of all reps; computed when it is first asked for. */
  readonly analysis: Analysis;
  scale: Scene["scale"];
  /**
   * Which rep of the track a kept one is: with another hand or stature others may be found before
   * it.
   *
   * @param was its place in the track then, and when it began and ended, ms
   * @returns -1 when it is not found any more
   */
  placeOf(was: { index: number; from: number; to: number }): number;
  /**
   * One of its reps with what the golfer corrects; null when no rep is left then. Quicker than
   * the first time: the perturbed copies are kept.
   *
   * @param sampled its copies read elsewhere
   * @throws RangeError when there is no such rep
   */
  again(index: number, overrides: Overrides, sampled?: Sampled): AnalysedRep | null;
  /**
   * Of the copies behind a rep's uncertainties those numbered `part` (from, before): for one who
   * computes the parts side by side, joins them and hands them to `again`.
   */
  sampleAgain(index: number, overrides: Overrides, part: CopiesPart): Sampled | null;
}

/**
 * Analyses a track, and keeps what it takes to read single reps again with the golfer's corrections.
 *
 * @throws RangeError when the drill, the stage or the stature makes no sense
 * @example openAnalysis(track, { golfer: { statureCm: 178, hand: "right" }, drill: "double-step"
 * }).again(0, { events: { top: 2310 } })
 */
export function openAnalysis(original: Track, options: AnalyseOptions): OpenAnalysis {
  const asked = askedOf(options);
  const clip = findReps(original, asked);
  const { scene, problems, reps } = clip;
  const copies = new Copies(clip, asked);
  const analysed = (found: FoundRep, index: number, sampled: Sampled, overrides?: Overrides) =>
    analyseRep(found, { index, clip, asked, sampled, ...(overrides ? { overrides } : {}) });
  const overridden = (index: number, overrides: Overrides): FoundRep | null => {
    const found = reps[index];
    if (!found) throw new RangeError(`there is no rep ${index + 1}`);
    return overriddenRep(found, overrides, clip.whole, asked);
  };
  let all: Analysis | null = null;
  return {
    get analysis() {
      return (all ??= {
        drill: options.drill,
        stage: asked.stage?.id ?? null,
        view: scene.view,
        scale: scene.scale,
        problems,
        reps: reps.map((found, index) => analysed(found, index, copies.sampleOnce(index))),
      });
    },
    scale: scene.scale,
    placeOf({ index, from, to }) {
      const within = (r: FoundRep | undefined) =>
        r !== undefined && middle(r) > from && middle(r) < to;
      return within(reps[index]) ? index : reps.findIndex(within);
    },
    again(index, overrides, sampled) {
      const found = overridden(index, overrides);
      return (
        found &&
        analysed(found, index, sampled ?? copies.sample(found, index, overrides), overrides)
      );
    },
    sampleAgain(index, overrides, part) {
      const found = overridden(index, overrides);
      return found && copies.sample(found, index, overrides, part);
    },
  };
}
