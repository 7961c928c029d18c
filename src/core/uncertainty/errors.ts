import type { FootEvent } from "../reps/events/footEvents";
import fitted from "./fitted.json";

/** What a method itself gets wrong, beyond what perturbed copies show: a steady offset and one standard deviation, in the measure's unit (events: ms). */
export interface MethodError {
  offset: number;
  sd: number;
  /** Reps it was fitted on. */
  n: number;
}

/**
 * Errors by measure, event and foot event. Reps with a step before or at the strike are told apart where both sorts were
 * fitted (`id/step`): weight and hips are harder to follow then.
 */
export interface ErrorTable {
  measures: Record<string, MethodError>;
  events: Record<string, MethodError>;
  footEvents: Record<string, MethodError>;
}

/** Written by tools/fit/fit.ts from rendered clips with truth. */
export const FITTED: ErrorTable = fitted;

/** A time that no clip of the fit had is good to a few pictures at best, ms. */
const UNKNOWN_MS = 50;

const pick = (list: Record<string, MethodError>, id: string, stepped: boolean) => (stepped ? list[`${id}/step`] : undefined) ?? list[id];

/** A measure that no clip of the fit had is not to be relied on: infinite. */
export const measureError = (table: ErrorTable, id: string, stepped: boolean): MethodError => pick(table.measures, id, stepped) ?? { offset: 0, sd: Infinity, n: 0 };
export const eventError = (table: ErrorTable, name: string, stepped: boolean): MethodError => pick(table.events, name, stepped) ?? { offset: 0, sd: UNKNOWN_MS, n: 0 };
export const footEventError = (table: ErrorTable, e: Pick<FootEvent, "event">): MethodError => table.footEvents[e.event] ?? { offset: 0, sd: UNKNOWN_MS, n: 0 };
