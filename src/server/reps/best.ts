import { and, desc, eq, isNull, ne, or } from "drizzle-orm";
import { bestOf } from "../../core/practice";
import type { Db } from "../db/open";
import { bout, drillVersion, rep, session, verdict } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { overruled, there } from "./rows";

/** The best is looked for among so many of the latest reps. */
const LATEST = 200;

/**
 * A golfer's best rep of a drill's stage, another one than `not`; null where none passed. What the
 * golfer overruled is as they say.
 */
export async function bestRep(
  db: Db,
  golferId: string,
  drillId: string,
  stageId: string,
  not?: string,
): Promise<string | null> {
  const rows = await db
    .select({ id: rep.id, result: verdict.result, checks: verdict.checks })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(session, eq(bout.sessionId, session.id))
    .innerJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .innerJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed")))
    .leftJoin(overruled, and(eq(overruled.repId, rep.id), eq(overruled.by, "golfer")))
    .where(
      and(
        ownedBy(golferId),
        eq(drillVersion.drillId, drillId),
        eq(bout.stageId, stageId),
        eq(verdict.result, "pass"),
        there,
        or(isNull(overruled.result), eq(overruled.result, "pass")),
        ...(not === undefined ? [] : [ne(rep.id, not)]),
      ),
    )
    .orderBy(desc(rep.createdAt))
    .limit(LATEST);
  return (
    bestOf(rows.map(({ id, result, checks }) => ({ id, verdict: { result, checks } })))?.id ?? null
  );
}
