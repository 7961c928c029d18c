import { nearest } from "../reps/clock";
import type { Motion } from "../motion/motion";
import type { EventName, Rep } from "../reps/rep";
import { SPANS } from "./catalogue";

/** Event → event of each named span. */
const ENDS: Record<(typeof SPANS)[number], [EventName, EventName]> = {
  AddressToTop: ["address", "top"],
  AddressToImpact: ["address", "impact"],
  TopToImpact: ["top", "impact"],
  ImpactToFinish: ["impact", "finish"],
  HalfwayDownToImpact: ["halfwayDown", "impact"],
  AddressToFinish: ["address", "finish"],
  ImpactToMidThrough: ["impact", "midThrough"],
};

/** The spans of a rep whose two events were found, as samples. */
export function spansOf(
  m: Motion,
  rep: Rep,
): { span: (typeof SPANS)[number]; from: number; to: number }[] {
  return SPANS.flatMap((span) => {
    const [a, b] = ENDS[span].map((e) => rep.events[e]) as [number, number];
    return Number.isNaN(a) || Number.isNaN(b)
      ? []
      : [{ span, from: nearest(m, a), to: nearest(m, b) }];
  });
}

/** Time of the strike, or of what stands for it in a gesture. */
export const struck = (rep: Rep): number =>
  Number.isNaN(rep.events.impact) ? rep.events.release : rep.events.impact;

/** Smallest and largest value of a channel between two samples, and where. */
export function extremes(
  x: ArrayLike<number>,
  from: number,
  to: number,
): { low: number; high: number; lowAt: number; highAt: number } {
  let [lowAt, highAt] = [from, from];
  for (let i = from; i <= to; i++) {
    if (x[i]! < x[lowAt]!) lowAt = i;
    if (x[i]! > x[highAt]!) highAt = i;
  }
  return { low: x[lowAt]!, high: x[highAt]!, lowAt, highAt };
}

export const range = (x: ArrayLike<number>, from: number, to: number): number => {
  const e = extremes(x, from, to);
  return e.high - e.low;
};
