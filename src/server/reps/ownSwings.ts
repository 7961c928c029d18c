import { and, asc, desc, eq, inArray, isNull, notInArray, or, type SQL } from "drizzle-orm";
import { BASELINE } from "../../core/drills";
import type { Measured } from "../../core/judge";
import type { Db } from "../db/open";
import { bout, measure, rep } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { groups, there, toMeasured } from "./rows";

export interface OwnRep {
  id: string;
  at: Date;
  /** Null for reps that were only measured. */
  stageId: string | null;
  measures: Record<string, Measured>;
}

/** So many of the latest swings make the profile. */
const LATEST = 5;

/**
 * A golfer's latest normal swings from in front: those of the baseline, and those that were only
 * measured. The latest first.
 */
export const ownSwings = (db: Db, golferId: string): Promise<OwnRep[]> =>
  latestReps(
    db,
    and(
      ownedBy(golferId),
      eq(rep.kind, "swing"),
      or(isNull(bout.drillId), eq(bout.drillId, BASELINE)),
      or(isNull(bout.stageId), eq(bout.stageId, "whole-fo")),
    ),
    LATEST,
  );

/** The latest reps of a drill, with the stage each belongs to. */
export const repsOfDrill = (
  db: Db,
  golferId: string,
  drillId: string,
  most: number,
): Promise<OwnRep[]> => latestReps(db, and(ownedBy(golferId), eq(bout.drillId, drillId)), most);

/** Id of the drill that the golfer did last, the baselines apart; null before the first. */
export async function lastDrill(db: Db, golferId: string): Promise<string | null> {
  const [row] = await db
    .select({ drillId: bout.drillId })
    .from(bout)
    .where(
      and(
        ownedBy(golferId),
        isNull(bout.removedAt),
        notInArray(bout.drillId, [BASELINE, "transfer-check"]),
      ),
    )
    .orderBy(desc(bout.startedAt))
    .limit(1);
  return row?.drillId ?? null;
}

async function latestReps(db: Db, which: SQL | undefined, most: number): Promise<OwnRep[]> {
  const rows = await db
    .select({ id: rep.id, at: rep.createdAt, stageId: bout.stageId })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .where(and(which, there))
    .orderBy(desc(rep.createdAt), asc(rep.index))
    .limit(most);
  if (!rows.length) return [];
  const found = await db
    .select()
    .from(measure)
    .where(
      inArray(
        measure.repId,
        rows.map((r) => r.id),
      ),
    );
  const byRep = groups(found, (m) => m.repId);
  return rows.map((r) => ({
    ...r,
    measures: Object.fromEntries((byRep.get(r.id) ?? []).map((m) => [m.measureId, toMeasured(m)])),
  }));
}
