import type { AnalysedRep } from "./result";
import type { Overrides } from "../reps";

/** An event as it is kept and shown: of the whole rep (`foot` ""), or of a foot; ms. */
export interface EventRecord {
  name: string;
  foot: "" | "lead" | "trail";
  t: number;
  u: number;
  by: "computed" | "golfer";
}

/**
 * A foot event is taken for the one that the golfer said when it is nearer than this, ms: what is
 * said goes through arithmetic.
 */
const SAID_WITHIN_MS = 1;

/** All events of a rep, each with who says so. */
export function eventRecords(
  { events, footEvents }: Pick<AnalysedRep, "events" | "footEvents">,
  said: Overrides = {},
): EventRecord[] {
  const by = (own: boolean) => (own ? "golfer" : "computed");
  return [
    ...Object.entries(events).map(([name, e]): EventRecord => ({
      name,
      foot: "",
      ...e,
      by: by(said.events !== undefined && name in said.events),
    })),
    ...footEvents.map((e): EventRecord => ({
      name: e.event,
      foot: e.foot,
      t: e.t,
      u: e.u,
      by: by(
        said.feet?.some(
          (f) =>
            f.foot === e.foot &&
            f.event === e.event &&
            f.to !== null &&
            Math.abs(f.to - e.t) < SAID_WITHIN_MS,
        ) ?? false,
      ),
    })),
  ];
}

/** When the events of the whole rep were, by name, ms. */
export const eventTimes = (
  events: readonly { name: string; foot: string; t: number }[],
): Record<string, number> =>
  Object.fromEntries(events.flatMap((e) => (e.foot === "" ? [[e.name, e.t] as const] : [])));
