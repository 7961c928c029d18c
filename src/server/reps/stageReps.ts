import { and, asc, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import { LAST, type StageRep } from "../../core/practice/ladder";
import type { Db } from "../db/open";
import { bout, rep, verdict } from "../db/schema";
import { groups, overruled, there } from "./rows";

/**
 * A golfer's reps of some drills as a ladder asks for them, by drill: of each stage the latest judged ones, as far back as the bout that
 * has the last that counts, and all of bouts that have none; what the golfer counted without film is judged by nobody. The latest first.
 */
export async function stageReps(db: Db, golferId: string, drillIds: readonly string[]): Promise<Map<string, StageRep[]>> {
  if (!drillIds.length) return new Map();
  const own = and(eq(bout.golferId, golferId), inArray(bout.drillId, [...drillIds]), isNull(bout.removedAt));
  const later = db.select({ id: bout.id, judged: sql<number>`coalesce(sum(${bout.passed} + ${bout.failed}) over (partition by ${bout.drillId}, ${bout.stageId} order by ${bout.startedAt} desc rows between unbounded preceding and 1 preceding), 0)`.as("judged") })
    .from(bout).where(and(own, eq(bout.byHand, false), sql`${bout.passed} + ${bout.failed} > 0`)).as("later");
  const [judged, counted] = await Promise.all([
    db.select({ drillId: bout.drillId, stageId: bout.stageId, day: bout.day, result: verdict.result, own: overruled.result }).from(later)
      .innerJoin(bout, eq(bout.id, later.id)).innerJoin(rep, eq(rep.boutId, bout.id))
      .leftJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed"))).leftJoin(overruled, and(eq(overruled.repId, rep.id), eq(overruled.by, "golfer")))
      .where(and(sql`${later.judged} < ${LAST}`, there))
      .orderBy(desc(rep.createdAt), asc(rep.index)),
    db.select({ drillId: bout.drillId, stageId: bout.stageId, day: bout.day, n: sql<number>`sum(${bout.done})::int` }).from(bout)
      .where(and(own, sql`(${bout.byHand} or ${bout.passed} + ${bout.failed} = 0)`)).groupBy(bout.drillId, bout.stageId, bout.day).orderBy(desc(bout.day)),
  ]);
  const known = [
    ...judged.map((r) => ({ ...r, result: r.own ?? r.result })),
    ...counted.flatMap(({ n, ...r }) => Array.from({ length: n }, () => ({ ...r, result: null }))),
  ];
  return groups(known.flatMap(({ drillId, stageId, day, result }) => (drillId === null || stageId === null ? [] : [{ drillId, stageId, day, result }])), (r) => r.drillId);
}
