import type { ScriptedRep } from "../script";
import type { Exact } from "./exact";
import type { FeetTruth, FootEventTruth } from "./feet";
import type { EventSamples } from "./swingEvents";
import type { TurnTruth } from "./turns";

/** One rep with all that its measures are taken from. */
export interface RepCase {
  x: Exact;
  rep: ScriptedRep;
  view: "face-on" | "down-the-line";
  feet: FeetTruth;
  e: EventSamples;
  footEvents: FootEventTruth[];
  turns: TurnTruth[];
  leadShare: Float64Array;
  from: number;
  to: number;
}

/** Takes a measure, or nothing where there is none. */
export type Put = (id: string, value: number | null | undefined) => void;

export const near = (i: number): number => Math.round(i);
