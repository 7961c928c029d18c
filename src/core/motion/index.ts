/** What the body did: paths of points, turns, stance phases of the feet. */
export { STANDARD_GRAVITY } from "./deLeva";
export { largestTurn } from "./footDirection";
export {
  type FootFollow,
  type FootMotion,
  footRound,
  type FootSpell,
  placeOnClock,
  samePlace,
} from "./footMotion";
export { type Motion, type PointPath, readMotion } from "./motion";
export { partHeight } from "./partHeight";
export { perMotion } from "./perMotion";
export { turnByWidth, turnedFromSquare, turnRate } from "./turn";
