import { eq } from "drizzle-orm";
import { eventRecords, type AnalysedRep } from "../../core/analysis";
import type { Overrides } from "../../core/reps";
import { WHY } from "../../core/uncertainty";
import type { Db } from "../db/open";
import { event, measure } from "../db/schema";

/**
 * Puts a rep's events and measures in the place of those that are kept of it.
 *
 * @param db a transaction
 * @param overrides what the golfer put elsewhere: their events are marked as the golfer's own
 */
export async function keepComputed(
  db: Db,
  repId: string,
  computed: AnalysedRep,
  overrides?: Overrides,
): Promise<void> {
  for (const table of [event, measure]) await db.delete(table).where(eq(table.repId, repId));
  const events = eventRecords(computed, overrides);
  if (events.length) await db.insert(event).values(events.map((e) => ({ repId, ...e })));
  await db.insert(measure).values(measureRows(computed).map((m) => ({ repId, ...m })));
}

/** What another view or kind of rep has is no part of this one. */
const measureRows = ({ measures }: AnalysedRep): Omit<typeof measure.$inferInsert, "repId">[] =>
  Object.entries(measures)
    .filter(([, m]) => m.reason !== WHY.otherView && m.reason !== WHY.otherKind)
    .map(([measureId, m]) => ({
      measureId,
      value: m.value,
      u: m.u,
      unit: m.unit,
      state: m.state,
      reason: m.reason ?? null,
      at: m.at ?? null,
    }));
