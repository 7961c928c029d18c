import { formatISO } from "date-fns";
import type { RangeSnapshot } from "@/server/range/snapshot";
import type { DayBout } from "@/server/practice/dayDone";
import { counting, knownOf } from "@/ui/film/outbox";
import type { BoutHere } from "./keptReps";

/** What a golfer did on a day: as the computer knew it, and what this phone has filmed since. */
export function countedHere(
  snapshot: RangeSnapshot,
  bouts: readonly BoutHere[],
  today: string,
): DayBout[] {
  const known = snapshot.today === today ? snapshot.done : [];
  const here = bouts
    .filter((b) => formatISO(new Date(b.at), { representation: "date" }) === today)
    .map(({ id, drillId, rows }): DayBout => {
      const results = rows.flatMap(counting).map((r) => knownOf(r).result);
      return { id, drillId, done: results.length, results };
    })
    .reverse();
  return [...known.filter((k) => here.every((h) => h.id !== k.id)), ...here];
}
