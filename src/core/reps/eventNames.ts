/** A rep's events, absent ones were not found. */
export const EVENT_NAMES = [
  "address",
  "groundStart",
  "handStart",
  "midBack",
  "top",
  "recentre",
  "transition",
  "slideStart",
  "halfwayDown",
  "impact",
  "release",
  "midThrough",
  "finish",
  "taken",
  "lost",
  "pivotStart",
  "pivotPeak",
  "pivotBack",
] as const;
export type EventName = (typeof EVENT_NAMES)[number];

export const isEventName = (name: string): name is EventName =>
  (EVENT_NAMES as readonly string[]).includes(name);
