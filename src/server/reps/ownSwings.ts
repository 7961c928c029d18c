import { and, asc, desc, eq, inArray, isNull, notInArray, or } from "drizzle-orm";
import type { Measured } from "../../core/judge/verdict";
import type { Db } from "../db/open";
import { bout, drillVersion, measure, rep, session } from "../db/schema";
import { groups, toMeasured } from "./rows";

export interface OwnReps<Key = unknown> {
  id: string;
  at: Date;
  key: Key;
  measures: Record<string, Measured>;
}

/** The baseline: a golfer's normal swings. */
export const BASELINE = "normal-swing";
/** So many of the latest swings make the profile. */
export const LATEST = 5;

/** A golfer's latest normal swings from in front: those of the baseline, and those that were only measured. The latest first. */
export async function ownSwings(db: Db, golferId: string): Promise<OwnReps[]> {
  const rows = await db.select({ id: rep.id, at: rep.createdAt, key: bout.stageId }).from(rep).innerJoin(bout, eq(rep.boutId, bout.id)).innerJoin(session, eq(bout.sessionId, session.id))
    .leftJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .where(and(eq(session.golferId, golferId), eq(rep.kind, "swing"), or(isNull(bout.drillVersionId), eq(drillVersion.drillId, BASELINE)), or(isNull(bout.stageId), eq(bout.stageId, "whole-fo"))))
    .orderBy(desc(rep.createdAt), asc(rep.index)).limit(LATEST);
  return withMeasures(db, rows);
}

/** The latest reps of a drill, of one stage or of all, with the stage each belongs to. */
export async function repsOfDrill(db: Db, golferId: string, drillId: string, most: number, stageId?: string): Promise<OwnReps<string | null>[]> {
  const rows = await db.select({ id: rep.id, at: rep.createdAt, key: bout.stageId }).from(rep).innerJoin(bout, eq(rep.boutId, bout.id)).innerJoin(session, eq(bout.sessionId, session.id))
    .innerJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .where(and(eq(session.golferId, golferId), eq(drillVersion.drillId, drillId), ...(stageId ? [eq(bout.stageId, stageId)] : [])))
    .orderBy(desc(rep.createdAt), asc(rep.index)).limit(most);
  return withMeasures(db, rows);
}

/** Id of the drill that the golfer did last, the baselines apart; null before the first. */
export async function lastDrill(db: Db, golferId: string): Promise<string | null> {
  const [row] = await db.select({ drillId: drillVersion.drillId }).from(bout).innerJoin(session, eq(bout.sessionId, session.id)).innerJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .where(and(eq(session.golferId, golferId), notInArray(drillVersion.drillId, [BASELINE, "transfer-check"]))).orderBy(desc(bout.startedAt)).limit(1);
  return row?.drillId ?? null;
}

async function withMeasures<Key>(db: Db, rows: { id: string; at: Date; key: Key }[]): Promise<OwnReps<Key>[]> {
  if (!rows.length) return [];
  const found = await db.select().from(measure).where(inArray(measure.repId, rows.map((r) => r.id)));
  const byRep = groups(found, (m) => m.repId);
  return rows.map((r) => ({ ...r, measures: Object.fromEntries((byRep.get(r.id) ?? []).map((m) => [m.measureId, toMeasured(m)])) }));
}
