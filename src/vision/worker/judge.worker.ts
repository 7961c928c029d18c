import { expose } from "comlink";
import { analyse } from "../../core/analyse";
import { stageOf } from "../../core/drills";
import type { JudgeWorker } from "./liveProtocol";

/** Perturbed copies behind a live answer: the deviation of 16 is within 18 % of that of many. */
const COPIES = 16;

/** Judges while another worker goes on looking. */
const judge: JudgeWorker = {
  async analyse(track, { drill, stage, statureCm, hand }) {
    const own = typeof drill === "string" ? {} : { by: stageOf(drill, stage) };
    return analyse(track, { golfer: { statureCm, hand }, drill: typeof drill === "string" ? drill : drill.id, stage, live: true, samples: COPIES, ...own });
  },
};

expose(judge);
