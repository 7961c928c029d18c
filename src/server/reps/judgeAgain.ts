import { and, asc, desc, eq, inArray } from "drizzle-orm";
import type { Drill } from "../../core/drills";
import { judgeAgain, type KeptRep } from "../../core/practice";
import type { Db } from "../db/open";
import { bout, drillVersion, measure, rep, session, verdict } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { keepDrillVersion } from "../drills/ownDrills";
import { recount } from "../practice/recount";
import { groups, there, toMeasured, verdictRow } from "./rows";

/** A kept rep with where it belongs. */
export interface JudgedRep extends KeptRep {
  boutId: string;
  stageId: string;
  at: Date;
  /** The drill, and its version, that it was judged by. */
  by: { drillId: string; version: number };
}

/**
 * A golfer's latest judged reps of a drill, with all that judging them again takes; the latest
 * first.
 */
export async function judgedReps(
  db: Db,
  golferId: string,
  drillId: string,
  most: number,
): Promise<JudgedRep[]> {
  const rows = await db
    .select({
      rep,
      verdict,
      stageId: bout.stageId,
      drillId: drillVersion.drillId,
      version: drillVersion.version,
    })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(session, eq(bout.sessionId, session.id))
    .innerJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .innerJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed")))
    .where(and(ownedBy(golferId), eq(drillVersion.drillId, drillId), there))
    .orderBy(desc(rep.createdAt), asc(rep.index))
    .limit(most);
  if (!rows.length) return [];
  const measures = groups(
    await db
      .select()
      .from(measure)
      .where(
        inArray(
          measure.repId,
          rows.map((r) => r.rep.id),
        ),
      ),
    (m) => m.repId,
  );
  return rows.map((r) => ({
    id: r.rep.id,
    at: r.rep.createdAt,
    boutId: r.rep.boutId,
    stageId: r.stageId ?? "",
    statureCm: r.rep.statureCm,
    actions: r.verdict.actions,
    problems: r.rep.problems,
    result: r.verdict.result,
    by: { drillId: r.drillId, version: r.version },
    measures: Object.fromEntries(
      (measures.get(r.rep.id) ?? []).map((m) => [m.measureId, toMeasured(m)]),
    ),
  }));
}

/**
 * Judges all reps of an own drill by one of its versions, in one transaction; stages that the
 * version does not have keep what they were judged by. What was said before is said again by
 * judging with the version of before.
 *
 * @returns how many verdicts are others now
 */
export async function judgeAllAgain(db: Db, golferId: string, drill: Drill): Promise<number> {
  const reps = (await judgedReps(db, golferId, drill.id, 100_000)).filter(
    (r) => r.by.version !== drill.version,
  );
  return db.transaction(async (tx) => {
    const id = await keepDrillVersion(tx, drill);
    const again = drill.stages.flatMap((stage) =>
      reps.filter((r) => r.stageId === stage.id).map((r) => ({ r, v: judgeAgain(stage, r) })),
    );
    for (const { r, v } of again)
      await tx
        .update(verdict)
        .set(verdictRow(v))
        .where(and(eq(verdict.repId, r.id), eq(verdict.by, "computed")));
    const bouts = [...new Set(again.map(({ r }) => r.boutId))];
    await tx.update(bout).set({ drillVersionId: id }).where(inArray(bout.id, bouts));
    for (const boutId of bouts) await recount(tx, boutId);
    return again.filter(({ r, v }) => v.result !== r.result).length;
  });
}
