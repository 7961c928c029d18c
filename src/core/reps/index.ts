/** Where each rep begins and ends, its events, and what the golfer corrected of them. */
export { nearest, toMs, valueAt } from "./clock";
export {
  type Correction,
  corrections,
  correctionSchema,
  golferBy,
  judgedAnyway,
  outOfOrder,
  overridesOf,
  overruledBy,
  withCorrection,
} from "./corrections";
export { type EventName, isEventName } from "./eventNames";
export type { FootEvent } from "./events/footEvents";
export { armAngle, handSpeed, strikeWeight } from "./events/hands";
export { heelStays } from "./events/heelRise";
export { lostAfter } from "./events/hold";
export { TURNING } from "./kinds/pivot";
export { OVERRIDE_FRAMES, type Overrides } from "./overrides";
export { readRep } from "./readRep";
export {
  EVENT_NAMES,
  foundByArms,
  hangTogether,
  hasStrike,
  type Rep,
  type RepContext,
  type RepKind,
  type RepRules,
} from "./rep";
export { begun, type RepSeries, round, samplesOf, series } from "./series";
export { slice, split } from "./split";
export { middleTurn, pressureTurn, type Turn, turnsOf } from "./turns";
export { bothDown, pressureSmoother } from "./weight";
export type { RepWindow } from "./window";
