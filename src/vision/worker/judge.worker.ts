import { expose } from "comlink";
import { analyse } from "../../core/analysis";
import { stageOf } from "../../core/drills";
import { readTrack } from "../../core/formats";
import { warmUp, SpanReadings } from "../live";
import type { JudgeWorker } from "./liveProtocol";

/** Perturbed copies behind a live answer: the deviation of 16 is within 18 % of that of many. */
const COPIES = 16;

const ROUGH_COPIES = 2;
/** Pictures that a span may have: 12 s at 120 a second. */
const MOST_PICTURES = 1440;

const readings = new SpanReadings(MOST_PICTURES);

/** Follows and judges while another worker goes on looking. */
const judge: JudgeWorker = {
  async warm() {
    const file = await fetch(new URL("/samples/rep.track", self.location.origin));
    if (file.ok) warmUp(readTrack(new Uint8Array(await file.arrayBuffer())));
  },
  follow: async (seen) => readings.follow(seen),
  async analyse(track, { drill, stage, statureCm, hand }, roughly) {
    const own = typeof drill === "string" ? {} : { by: stageOf(drill, stage) };
    return analyse(track, {
      golfer: { statureCm, hand },
      drill: typeof drill === "string" ? drill : drill.id,
      stage,
      live: true,
      samples: roughly ? ROUGH_COPIES : COPIES,
      ...own,
    });
  },
};

expose(judge);
