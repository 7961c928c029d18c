import { and, asc, eq, isNull } from "drizzle-orm";
import type { Verdict } from "../../core/judge";
import type { Db } from "../db/open";
import { bout } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { resultsOf } from "./results";

/**
 * A bout of one day: what its reps came to, in order; of one that the golfer counted nothing was
 * judged.
 */
export interface DayBout {
  id: string;
  drillId: string | null;
  done: number;
  results: (Verdict["result"] | null)[];
}

/** What a golfer did on a day, in order. */
export async function dayDone(db: Db, golferId: string, day: string): Promise<DayBout[]> {
  const bouts = await db
    .select({
      id: bout.id,
      drillId: bout.drillId,
      done: bout.done,
      byHand: bout.byHand,
      results: bout.results,
    })
    .from(bout)
    .where(and(ownedBy(golferId), eq(bout.day, day), isNull(bout.removedAt)))
    .orderBy(asc(bout.startedAt));
  return bouts.map(({ id, drillId, done, byHand, results }) => ({
    id,
    drillId,
    done,
    results: byHand ? Array.from({ length: done }, () => null) : resultsOf(results),
  }));
}
