import { and, desc, inArray, isNull, sql } from "drizzle-orm";
import type { Drill } from "../../core/drills";
import { LAST, type StageRep } from "../../core/practice";
import type { Db } from "../db/open";
import { rowsOf } from "../db/rowsOf";
import { bout } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { resultsOf } from "../practice/results";
import { groups } from "./rows";

/**
 * A golfer's reps of some drills as a ladder asks for them, by drill: of each stage those of the
 * latest judged bouts, as many as can count, and all of bouts in which none was judged; what the
 * golfer counted without film is judged by nobody. The latest first.
 */
export async function stageReps(
  db: Db,
  golferId: string,
  drills: readonly Pick<Drill, "id" | "stages">[],
): Promise<Map<string, StageRep[]>> {
  const stages = drills.flatMap((d) => d.stages.map((s) => ({ drill: d.id, stage: s.id })));
  if (!stages.length) return new Map();
  const [judged, counted] = await Promise.all([
    latestJudged(db, golferId, stages),
    unjudged(
      db,
      golferId,
      drills.map((d) => d.id),
    ),
  ]);
  return groups([...judged, ...counted], (r) => r.drillId);
}

type Found = StageRep & { drillId: string };

/**
 * Each stage's own stretch of an index, the latest bouts first: they have a judged rep each, so no
 * more of them can count.
 */
async function latestJudged(
  db: Db,
  golferId: string,
  stages: readonly { drill: string; stage: string }[],
): Promise<Found[]> {
  const rows = rowsOf<{ drillId: string; stageId: string; day: string; results: string }>(
    await db.execute(sql`
    select latest.drill_id as "drillId", latest.stage_id as "stageId", latest.day, latest.results from json_to_recordset(${JSON.stringify(stages)}::json) as asked (drill text, stage text) cross join lateral (
      select drill_id, stage_id, day, results from bout
      where golfer_id = ${golferId} and drill_id = asked.drill and stage_id = asked.stage and removed_at is null and not by_hand and passed + failed > 0
      order by started_at desc limit ${LAST}) latest`),
  );
  return rows.flatMap(({ results, ...of }) =>
    resultsOf(results)
      .reverse()
      .map((result) => ({ ...of, result })),
  );
}

async function unjudged(db: Db, golferId: string, drillIds: readonly string[]): Promise<Found[]> {
  const rows = await db
    .select({
      drillId: bout.drillId,
      stageId: bout.stageId,
      day: bout.day,
      n: sql<number>`sum(${bout.done})::int`,
    })
    .from(bout)
    .where(
      and(
        ownedBy(golferId),
        inArray(bout.drillId, [...drillIds]),
        isNull(bout.removedAt),
        sql`(${bout.byHand} or ${bout.passed} + ${bout.failed} = 0)`,
      ),
    )
    .groupBy(bout.drillId, bout.stageId, bout.day)
    .orderBy(desc(bout.day));
  return rows.flatMap(({ drillId, stageId, day, n }) =>
    drillId === null || stageId === null
      ? []
      : Array.from({ length: n }, () => ({ drillId, stageId, day, result: null })),
  );
}
