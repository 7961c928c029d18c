import { hasStrike } from "../reps";
import type { Problem } from "../scene";
import { realTime, halved, type Track } from "../track";
import { readReps, type FoundRep, type ReadReps } from "./readReps";
import { SLOW_MOTION, slowSwing, tooSlow } from "./slowMotion";
import type { AnalysisRequest } from "./options";

/** What is read of a clip before any rep is measured. */
export interface ClipReading extends ReadReps {
  problems: Problem[];
  /** Its reps as half of the frames show them; null where all frames were read. */
  fromHalf: FoundRep[] | null;
}

/** Finds the reps of a track, at the speed that the film plays or at a slow-motion camera's. */
export function findReps(original: Track, asked: AnalysisRequest): ClipReading {
  const { options, rules } = asked;
  const rateUnknown = options.captureFps === undefined && !options.live;
  const asPlayed = readReps(realTime(original, options.captureFps), asked);
  const slowed =
    asPlayed.reps.length || !rateUnknown || !hasStrike(rules) ? null : slowSwing(original, asked);
  const read = slowed ?? asPlayed;
  const half = slowed ? null : halved(original);
  const problems = [...read.scene.problems];
  if (!read.reps.length) problems.push(NO_MOTION);
  else if (rateUnknown && hasStrike(rules) && !rules.slow && (slowed || read.reps.some(tooSlow)))
    problems.push(SLOW_MOTION);
  return {
    ...read,
    problems,
    fromHalf: half && readReps(realTime(half, options.captureFps), asked).reps,
  };
}

const NO_MOTION: Problem = {
  code: "noMotion",
  message: "No rep is seen in this clip.",
  action: "Film from before you stand still until after the finish.",
  touches: "nothing",
};
