import { and, asc, eq, inArray } from "drizzle-orm";
import type { MeasuredRep } from "../../core/formats";
import type { Db } from "../db/open";
import { bout, measure, rep, verdict } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { groups, there, toMeasured, toVerdict } from "../reps/rows";

/** Bouts that are read at a time. */
const AT_A_TIME = 20;

/**
 * A golfer's reps with their measures, some bouts at a time, in order of time; bouts without film
 * have none.
 */
export async function* measuredReps(
  db: Db,
  golferId: string,
): AsyncGenerator<MeasuredRep[], undefined> {
  const bouts = await db
    .select({ id: bout.id, drill: bout.drillId, stage: bout.stageId, at: bout.startedAt })
    .from(bout)
    .where(and(ownedBy(golferId), eq(bout.byHand, false)))
    .orderBy(asc(bout.startedAt));
  for (let k = 0; k < bouts.length; k += AT_A_TIME) {
    const some = new Map(bouts.slice(k, k + AT_A_TIME).map((b) => [b.id, b] as const));
    const rows = await db
      .select({ id: rep.id, boutId: rep.boutId, at: rep.createdAt, verdict })
      .from(rep)
      .innerJoin(bout, eq(rep.boutId, bout.id))
      .leftJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed")))
      .where(and(inArray(rep.boutId, [...some.keys()]), there))
      .orderBy(asc(rep.createdAt), asc(rep.index));
    if (!rows.length) continue;
    const measures = groups(
      await db
        .select()
        .from(measure)
        .where(
          inArray(
            measure.repId,
            rows.map((r) => r.id),
          ),
        ),
      (m) => m.repId,
    );
    yield rows.map((r) => {
      const b = some.get(r.boutId)!;
      return {
        rep: r.id,
        bout: b.id,
        drill: b.drill,
        stage: b.stage,
        at: r.at.toISOString(),
        measures: Object.fromEntries(
          (measures.get(r.id) ?? []).map((m) => [m.measureId, toMeasured(m)]),
        ),
        verdict: r.verdict && toVerdict(r.verdict),
      };
    });
  }
  return undefined;
}
