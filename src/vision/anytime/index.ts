/** Which frames to look at next, so that a verdict comes before all of a film is read. */
export { type Asked, askedBy } from "./asked";
export { FIRST_MS, gridStep, nextFrames } from "./plan";
export { type Looking, lookInRounds, thinned } from "./rounds";
export { segmentEnd } from "./segments";
