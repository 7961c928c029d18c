import { and, asc, eq, isNull } from "drizzle-orm";
import type { Verdict } from "../../core/judge/verdict";
import type { Db } from "../db/open";
import { bout, rep, verdict } from "../db/schema";
import { groups, overruled } from "../reps/rows";

/** A bout of one day: what its reps came to, in order; of one that the golfer counted nothing was judged. */
export interface DayBout {
  id: string;
  drillId: string | null;
  done: number;
  results: (Verdict["result"] | null)[];
}

/** What a golfer did on a day, in order. */
export async function dayDone(db: Db, golferId: string, day: string): Promise<DayBout[]> {
  const own = and(eq(bout.golferId, golferId), eq(bout.day, day), isNull(bout.removedAt));
  const [bouts, reps] = await Promise.all([
    db.select({ id: bout.id, drillId: bout.drillId, done: bout.done, byHand: bout.byHand }).from(bout).where(own).orderBy(asc(bout.startedAt)),
    db.select({ boutId: rep.boutId, result: verdict.result, own: overruled.result }).from(rep).innerJoin(bout, eq(rep.boutId, bout.id))
      .leftJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed"))).leftJoin(overruled, and(eq(overruled.repId, rep.id), eq(overruled.by, "golfer")))
      .where(and(own, isNull(rep.removedAt))).orderBy(asc(rep.createdAt), asc(rep.index)),
  ]);
  const byBout = groups(reps, (r) => r.boutId);
  return bouts.map(({ id, drillId, done, byHand }) => ({ id, drillId, done, results: byHand ? Array.from({ length: done }, () => null) : (byBout.get(id) ?? []).map((r) => r.own ?? r.result) }));
}
