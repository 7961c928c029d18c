import { expose } from "comlink";
import { openAnalysis, type AnalysedRep, type AnalyseOptions, type OpenAnalysis } from "@/core/analyse";
import type { Said } from "@/core/reps/said";
import type { Scene } from "@/core/scene/scene";
import { readTrack } from "@/core/formats/trackFile";

/** Reads a kept rep again, beside the page. */
export interface AgainWorker {
  /**
   * @param was which rep of the track it is
   * @param ahead nothing is asked yet: there is time
   * @returns the scale that lengths are reckoned by
   */
  open(track: Uint8Array, options: AnalyseOptions, was: { index: number; from: number; to: number }, ahead: boolean): Pick<Scene, "scale">;
  /** The rep with what the golfer says of it; null when none is left. */
  again(said: Said): AnalysedRep | null;
}

let opened: { clip: OpenAnalysis; at: number } | null = null;

const worker: AgainWorker = {
  open(track, options, was, ahead) {
    const clip = openAnalysis(readTrack(track), options);
    opened = { clip, at: clip.placeOf(was) };
    // The copies behind its uncertainty are drawn before they are asked for.
    if (ahead && opened.at >= 0) clip.again(opened.at, {});
    return { scale: clip.scale };
  },
  again: (said) => (opened && opened.at >= 0 ? opened.clip.again(opened.at, said) : null),
};

expose(worker);
