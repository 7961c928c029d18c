/** Reading from a camera while it films. */
export { Grabber } from "./grabber";
export type { LivePicture, LiveWant } from "./liveReaderOptions";
export { type AnsweredRep, LiveSession } from "./liveSession";
export { Recorder } from "./recorder";
export { SpanReadings, type SpanSeen } from "./spanReadings";
export { warmUp } from "./warmUp";
