import type { RepSeries } from "@/core/analysis";
import { warp, type EventTimes } from "@/core/practice";

interface Timed {
  events: EventTimes;
  series: Pick<RepSeries, "t">;
}

/** The top; what has none counts from its beginning, ms. */
const top = (r: Timed) => r.events.top ?? r.series.t[0]!;

/**
 * One rep's time on another's clock: aligned by their events, or each in its own time from the top
 * on. @returns ms there for ms here
 */
export function clockOf(one: Timed, other: Timed, aligned: boolean): (ms: number) => number {
  if (one === other) return (ms) => ms;
  return aligned
    ? warp(one.events, other.events, [top(one), top(other)])
    : (ms) => ms - top(one) + top(other);
}
