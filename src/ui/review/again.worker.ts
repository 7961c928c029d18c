import { expose } from "comlink";
import {
  openAnalysis,
  type AnalysedRep,
  type AnalyseOptions,
  type OpenAnalysis,
} from "@/core/analysis";
import { readTrack } from "@/core/formats";
import type { Overrides } from "@/core/reps";
import type { Scene } from "@/core/scene";
import { type CopiesPart, joined, type Sampled } from "@/core/uncertainty";

/**
 * Reads a kept rep again, beside the page; one of these, or two that share the copies behind its
 * uncertainties.
 */
export interface AgainWorker {
  /**
   * @param was which rep of the track it is
   * @param part the copies that this one reads
   * @param ahead nothing is asked yet: there is time
   * @returns the scale that lengths are reckoned by
   */
  open(
    track: Uint8Array,
    options: AnalyseOptions,
    was: { index: number; from: number; to: number },
    part: CopiesPart,
    ahead: boolean,
  ): Pick<Scene, "scale">;
  /** Reads its part of the copies with what the golfer says; null when no rep is left then. */
  sample(said: Overrides): Sampled | null;
  /**
   * The rep with what the golfer says of it, after its own part was read. @param others the parts
   * of the others
   */
  again(said: Overrides, others: readonly Sampled[]): AnalysedRep | null;
}

let opened: { clip: OpenAnalysis; at: number; part: CopiesPart } | null = null;
let own: Sampled | null = null;

const worker: AgainWorker = {
  open(track, options, was, part, ahead) {
    const clip = openAnalysis(readTrack(track), options);
    opened = { clip, at: clip.placeOf(was), part };
    // The copies are drawn before they are asked for; and read as after a new split, which takes
    // longest, so that the first answer finds all that it runs compiled.
    if (ahead && opened.at >= 0) {
      const drawn = clip.sampleAgain(opened.at, {}, part);
      clip.sampleAgain(opened.at, { split: { from: was.from, to: was.to } }, part);
      if (drawn) clip.again(opened.at, {}, drawn);
    }
    return { scale: clip.scale };
  },
  sample: (said) =>
    (own = opened && opened.at >= 0 ? opened.clip.sampleAgain(opened.at, said, opened.part) : null),
  again: (said, others) =>
    opened && own ? opened.clip.again(opened.at, said, joined([own, ...others])) : null,
};

expose(worker);
