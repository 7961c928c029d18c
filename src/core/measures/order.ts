import type { Rep } from "../reps/rep";
import type { RawMeasure } from "./catalogue";

/** Times of the swing, ms, and their ratio. */
export function orderMeasures(rep: Rep): Record<"backTime" | "downTime" | "tempoRatio", RawMeasure> {
  const { handStart, top, impact } = rep.events;
  const back = top - handStart;
  const down = impact - top;
  const of = (value: number, atMs: number): RawMeasure => (Number.isNaN(value) ? { value, why: "eventNotFound" } : { value, atMs });
  return { backTime: of(back, top), downTime: of(down, impact), tempoRatio: of(back / down, impact) };
}
