/** Reps while they are filmed: when one begins and ends, what is answered when. */
export {
  type LoopAnswer,
  type LoopEvent,
  type LoopSnapshot,
  type LoopState,
  type Obstacle,
  repLoop,
  type Sound,
  startsStill,
} from "./loop";
export { LOOKS_TO_FIND_REPS } from "./rate";
export { sameRep } from "./sameRep";
export { nearestPairs, type ToldRep, withTold } from "./withTold";
export { ABSENT, asTrack, type Look, type Stance, stanceOf } from "./stance";
export {
  AFTER_END_MS,
  type Attempt,
  BEFORE_REP,
  type Decided,
  type RepWatch,
  watchFor,
} from "./watch";
