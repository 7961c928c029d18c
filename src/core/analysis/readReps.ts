import { readMotion, type Motion } from "../motion";
import {
  readRep,
  type Rep,
  type RepContext,
  hangTogether,
  slice,
  split,
  type RepWindow,
  pressureSmoother,
} from "../reps";
import { readScene, type Scene } from "../scene";
import { finishTrack, type Track } from "../track";
import { SAME_REP_MS } from "../uncertainty";
import type { AnalysisRequest } from "./options";

/** Picture–sound offset of a phone that no clap has measured, ms (docs/movement.md, impact). */
const SOUND_U = 20;
/**
 * Live, sound and picture come by clocks of their own, that only how soon they come brings
 * together: twice as much, by hand.
 */
const LIVE_SOUND_U = 40;
const SOUND_CM_PER_MS = 34.3;
/** One rep with the part of the motion that it was read in. */
export interface FoundRep {
  motion: Motion;
  window: RepWindow;
  context: RepContext;
  rep: Rep;
}

/** What a track shows. */
export interface ReadReps {
  scene: Scene;
  whole: Motion;
  reps: FoundRep[];
}

/** Reads a track whose times are real ones: scene, motion, reps. */
export function readReps(timed: Track, { options, rules, view }: AnalysisRequest): ReadReps {
  const track = finishTrack(timed, view === "face-on");
  const scene = readScene(track, options.golfer, view, options.camera);
  const whole = readMotion(track, scene, options.golfer);
  const offset = options.soundOffset ?? { t: 0, u: options.live ? LIVE_SOUND_U : SOUND_U };
  const travel = scene.camera.distanceCm / SOUND_CM_PER_MS;
  const strikes = { ms: track.sounds.map((s) => s.t - offset.t - travel), u: offset.u };
  const wholeSmoother = pressureSmoother(whole, rules.kind === "cycle");
  const reps = split(track, whole, rules).flatMap((window) => {
    const motion = hangTogether(rules) ? whole : slice(whole, window);
    const context = {
      rules,
      strikes,
      smoother:
        motion.n === whole.n ? wholeSmoother : pressureSmoother(motion, rules.kind === "cycle"),
    };
    const rep = readRep(motion, window, context);
    return rep ? [{ motion, window, context, rep }] : [];
  });
  return { scene, whole, reps };
}

/** Where a rep has its middle, ms. */
export const middle = ({ rep }: FoundRep): number =>
  Number.isNaN(rep.events.top) ? (rep.fromMs + rep.toMs) / 2 : rep.events.top;
/** Whether two readings found the same rep. */
export const isFoundAgain = (a: FoundRep, b: FoundRep): boolean =>
  Math.abs(middle(a) - middle(b)) < SAME_REP_MS;
