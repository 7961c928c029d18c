import type { TruthEvent } from "./swingEvents";

export const DEG = 180 / Math.PI;

/** Events that measures are named after. */
export const AT_EVENTS: TruthEvent[] = [
  "address",
  "top",
  "halfwayDown",
  "impact",
  "release",
  "finish",
];
