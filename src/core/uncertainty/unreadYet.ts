import { type MeasureId, measureAll } from "../measures";
import type { Motion } from "../motion";
import type { FootEvent, EventName, Rep, RepRules } from "../reps";

/** The same rep of another reading lies nearer than this, ms. */
export const SAME_REP_MS = 250;

/**
 * What the frames that were not read may still change: how far each number was from what half of
 * the lone frames give; all nought for a whole track; for what they do not give, ∞ for a measure
 * and the most that one rep's events may differ by for an event.
 */
export interface Unread {
  measure: (id: MeasureId, value: number) => number;
  event: (name: EventName, ms: number) => number;
  footEvent: (e: FootEvent) => number;
}

const NOTHING_UNREAD: Unread = { measure: () => 0, event: () => 0, footEvent: () => 0 };

/**
 * @param less the same rep read from fewer frames, null where it was not found in them; null where
 * all frames were read
 */
export function unreadOf(
  less: { rep: { motion: Motion; rep: Rep } | null } | null,
  rules: RepRules,
): Unread {
  if (!less) return NOTHING_UNREAD;
  if (!less.rep)
    return { measure: () => Infinity, event: () => SAME_REP_MS, footEvent: () => SAME_REP_MS };
  const { motion, rep } = less.rep;
  const measures = measureAll(motion, rep, rules);
  const away = (value: number, other: number | undefined) =>
    other === undefined || Number.isNaN(other) ? Infinity : Math.abs(value - other);
  return {
    measure: (id, value) => away(value, measures[id].value),
    event: (name, ms) => Math.min(SAME_REP_MS, away(ms, rep.events[name])),
    footEvent: (e) =>
      Math.min(
        SAME_REP_MS,
        ...rep.footEvents
          .filter((f) => f.foot === e.foot && f.event === e.event)
          .map((f) => Math.abs(f.ms - e.ms)),
      ),
  };
}
