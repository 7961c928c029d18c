/** A film read to a track. */
export { bodyIn, findPeople, strangers } from "./coarseLook";
export { readClip } from "./readClip";
export type { ReadOptions, ReadSoFar } from "./readOptions";
export type { ReadTimings } from "./readTimings";
export { type AboutClip, HANDS_S, Reading, type Seen, seenIn } from "./reading";
