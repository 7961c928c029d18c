import { expose } from "comlink";
import { ALGORITHM_VERSION, analyse, type AnalysedRep, type Analysis } from "@/core/analysis";
import { stageOf, type Drill } from "@/core/drills";
import { readTrack } from "@/core/formats";
import { withTold, type ToldRep } from "@/core/live";
import type { GolferFacts } from "@/core/scene";
import { drillHere } from "./drillsHere";

/** What was seen of some reps, and for whom and what they were filmed. */
export interface KeptTrack {
  track: Uint8Array;
  golfer: GolferFacts;
  drill: string | Drill;
  stage: string;
  told: ToldRep[];
}

/** Its reps that were told, in that order, as the computer reckons them too. */
export interface JudgedTrack {
  algorithm: string;
  problems: Analysis["problems"];
  reps: AnalysedRep[];
}

export interface JudgeKeptWorker {
  judge(kept: KeptTrack): JudgedTrack;
}

const worker: JudgeKeptWorker = {
  judge({ track, golfer, drill, stage, told }) {
    const by = drillHere(drill);
    const analysis = analyse(readTrack(track), {
      golfer,
      drill: by.id,
      stage,
      live: true,
      by: stageOf(by, stage),
    });
    return {
      algorithm: ALGORITHM_VERSION,
      problems: analysis.problems,
      reps: withTold(analysis.reps, told).map(({ r }) => r),
    };
  },
};

expose(worker);
