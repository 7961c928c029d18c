import type { MeasureId } from "../measures/catalogue";
import type { EventName } from "../reps/rep";
import type { FootEvent } from "../reps/events/footEvents";
import fitted from "./fitted.json";

/** What a method itself gets wrong, beyond what perturbed copies show: a steady offset and one standard deviation, in the measure's unit (events: ms). */
export interface MethodError {
  offset: number;
  sd: number;
  /** Reps it was fitted on. */
  n: number;
}

const table = fitted as { measures: Record<string, MethodError>; events: Record<string, MethodError>; footEvents: Record<string, MethodError> };
const none = (sd: number): MethodError => ({ offset: 0, sd, n: 0 });

/** Written by tools/fit/fit.ts from rendered clips with truth. A measure that no clip of the fit had is not to be relied on. */
export const measureError = (id: MeasureId): MethodError => table.measures[id] ?? none(Infinity);
export const eventError = (name: EventName): MethodError => table.events[name] ?? none(50);
export const footEventError = (e: Pick<FootEvent, "event">): MethodError => table.footEvents[e.event] ?? none(50);
