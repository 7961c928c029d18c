import type { FootEvent } from "../reps";
import fitted from "./fitted.json" with { type: "json" };

/**
 * What a method itself gets wrong, beyond what perturbed copies show: a steady offset and one
 * standard deviation, in the measure's unit (events: ms).
 */
export interface MethodError {
  offset: number;
  sd: number;
  /** Reps it was fitted on. */
  n: number;
}

/**
 * Sorts of reps whose errors are told apart: seen from behind; with a step before the strike; all
 * others.
 */
export type Sort = "behind" | "step" | "planted";

/**
 * Errors by measure, event and foot event, for `planted` reps; where the other sorts were fitted on
 * their own, under `id/step` and `id/behind`.
 */
export interface ErrorTable {
  measures: Record<string, MethodError>;
  events: Record<string, MethodError>;
  footEvents: Record<string, MethodError>;
}

/** Written by tools/fit/fit.ts from rendered clips with truth. */
export const FITTED: ErrorTable = fitted;

/**
 * A time that no clip of the fit had is good to a few pictures at best, ms; so is one that the
 * picture did not show.
 */
const UNKNOWN_MS = 50;

const pick = (list: Record<string, MethodError>, id: string, sort: Sort) =>
  list[`${id}/${sort}`] ?? list[id];

/** A measure that no clip of the fit had is not to be relied on: infinite. */
export const measureError = (table: ErrorTable, id: string, sort: Sort): MethodError =>
  pick(table.measures, id, sort) ?? { offset: 0, sd: Infinity, n: 0 };
export const eventError = (table: ErrorTable, name: string, sort: Sort): MethodError =>
  pick(table.events, name, sort) ?? { offset: 0, sd: UNKNOWN_MS, n: 0 };
export const footEventError = (
  table: ErrorTable,
  e: Pick<FootEvent, "event" | "rough">,
): MethodError =>
  (e.rough ? undefined : table.footEvents[e.event]) ?? { offset: 0, sd: UNKNOWN_MS, n: 0 };
