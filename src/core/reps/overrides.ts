import type { SideName } from "../track";
import type { FootEvent } from "./events/footEvents";
import type { EventName } from "./eventNames";

/**
 * A foot event that the golfer moved (both times), took away (`to` null) or put in (`from` null);
 * ms.
 */
export interface FootEventOverride {
  foot: SideName;
  event: FootEvent["event"];
  from: number | null;
  to: number | null;
}

/**
 * What the golfer says of a rep in place of what was computed (docs/movement.md, verdict rule 8);
 * ms on the film's own clock.
 */
export interface Overrides {
  events?: Partial<Record<EventName, number>>;
  feet?: readonly FootEventOverride[];
  /** Where the rep begins and ends. */
  split?: { from: number; to: number };
}

/**
 * How well a golfer who looks at single frames places an event, frames (docs/movement.md, verdict
 * rule 8).
 */
export const OVERRIDE_FRAMES = 0.3;

/** A foot event nearer than this to the one that was meant is that one, ms. */
const SAME_EVENT_MS = 120;

/** An event as said, else as computed. */
export const overriddenOr = (
  said: Overrides | undefined,
  name: EventName,
  computed: number,
): number => said?.events?.[name] ?? computed;

/** Foot events with what the golfer says of them, in order. */
export function withOverrides(
  found: readonly FootEvent[],
  said: readonly FootEventOverride[] | undefined,
): FootEvent[] {
  if (!said?.length) return [...found];
  let out = [...found];
  for (const { foot, event, from, to } of said) {
    const meant =
      from === null
        ? undefined
        : out
            .filter(
              (e) => e.foot === foot && e.event === event && Math.abs(e.ms - from) < SAME_EVENT_MS,
            )
            .sort((a, b) => Math.abs(a.ms - from) - Math.abs(b.ms - from))[0];
    out = out.filter((e) => e !== meant);
    if (to !== null) out.push({ foot, event, ms: to, overridden: true });
  }
  return out.sort((a, b) => a.ms - b.ms);
}
