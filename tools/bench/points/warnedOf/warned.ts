import type { MovementScript } from "../../../../src/core/figure/script";

/** A movement that a drill's entry, reason or caution warns of, or that leaves out what it is for. */
export interface Warned {
  id: string;
  /** The drill's own words for it. */
  words: string;
  script: () => MovementScript;
}

/** By drill and stage; written from the drills' words alone, without a look at their checks. */
export type WarnedOf = Record<string, Record<string, Warned[]>>;

export const warned = (id: string, words: string, script: Warned["script"]): Warned => ({
  id,
  words,
  script,
});

/** Hands alone: the body hardly turns. */
export const ARMS_ONLY = {
  pelvis: { top: -6, impact: 4 },
  thorax: { top: -30, impact: 4 },
};
