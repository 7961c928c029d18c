import { analyse } from "../../src/core/analyse";
import { findStage } from "../../src/core/drills";
import type { OpenClip } from "../../src/vision/decode/openClip";
import { Grabber } from "../../src/vision/live/grabber";
import { LiveSession, type AnsweredRep } from "../../src/vision/live/liveSession";
import type { PoseNetwork } from "../../src/vision/network/poseNetwork";

export interface Ran {
  answered: AnsweredRep[];
  /** States and sounds as they came, with the camera's time, ms. */
  said: { t: number; what: string }[];
}

/** Copies behind a live answer. */
const COPIES = 16;

/**
 * Plays a clip as a running camera before a live session, at a pace: 1 is a camera's own, less gives a slow network the time
 * that it has on a device where it is quick.
 */
export async function runCamera(clip: OpenClip, network: PoseNetwork, asked: { drill: string; stage?: string; golfer: { statureCm: number; hand: "left" | "right" }; reps: number; pace: number }): Promise<Ran> {
  const { stage } = findStage(asked.drill, asked.stage);
  const grabber = new Grabber();
  const size = { width: clip.width, height: clip.height, fps: clip.fps };
  const began = performance.now();
  const now = () => (performance.now() - began) * asked.pace;
  const ran: Ran = { answered: [], said: [] };
  let last = "";
  let n = 0;
  const session = new LiveSession(network, {
    stage, size, reps: asked.reps, now, newId: () => String(++n), want: (want) => grabber.wants(want), release: (data) => grabber.back(data),
    analyse: (track) => Promise.resolve(analyse(track, { golfer: asked.golfer, drill: asked.drill, stage: stage.id, live: true, samples: COPIES })),
    state: (s) => {
      if (String(s.value) !== last) ran.said.push({ t: now(), what: (last = String(s.value)) });
    },
    sound: (sound) => ran.said.push({ t: now(), what: `♪ ${sound}` }),
    answered: (rep) => ran.answered.push(rep), completed: () => {},
  });
  for await (const picture of clip.pictures()) {
    const early = picture.timeMs / asked.pace - (performance.now() - began);
    await new Promise((r) => setTimeout(r, Math.max(0, early)));
    session.take(await grabber.grab(picture, size));
  }
  await new Promise((r) => setTimeout(r, 1500 / asked.pace));
  session.stop();
  return ran;
}
