import { and, asc, desc, eq, inArray } from "drizzle-orm";
import type { StageRep } from "../../core/practice/ladder";
import type { Db } from "../db/open";
import { bout, drillVersion, rep, session, verdict } from "../db/schema";
import { groups, overruled, there } from "./rows";

/** So many reps of a drill are more than any ladder asks for. */
const MOST = 2000;

/** A golfer's reps of some drills, by drill: stage, day here, and what was said of each; the latest first. */
export async function stageReps(db: Db, golferId: string, drillIds: readonly string[]): Promise<Map<string, StageRep[]>> {
  if (!drillIds.length) return new Map();
  const rows = await db.select({ drillId: drillVersion.drillId, stageId: bout.stageId, day: bout.day, result: verdict.result, own: overruled.result }).from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id)).innerJoin(session, eq(bout.sessionId, session.id)).innerJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .leftJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed"))).leftJoin(overruled, and(eq(overruled.repId, rep.id), eq(overruled.by, "golfer")))
    .where(and(eq(session.golferId, golferId), inArray(drillVersion.drillId, [...drillIds]), there))
    .orderBy(desc(rep.createdAt), asc(rep.index)).limit(MOST);
  const known = rows.flatMap((r) => (r.stageId === null ? [] : [{ drillId: r.drillId, stageId: r.stageId, day: r.day, result: r.own ?? r.result }]));
  return groups(known, (r) => r.drillId);
}
