import { and, asc, desc, eq, inArray, isNotNull, isNull, notInArray, sql } from "drizzle-orm";
import { BASELINE } from "../../core/drills";
import type { CheckVerdict } from "../../core/judge";
import type { Flight, BoutLine } from "../../core/practice";
import type { Db } from "../db/open";
import { bout, boutMeasure, measure, rep, session, verdict } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { groups } from "../reps/rows";

/** A rep as a dot: what each of its checks said. */
interface RepDot {
  id: string;
  checks: readonly CheckVerdict[];
}

/** A bout with its reps as dots. */
export interface BoutDots {
  id: string;
  day: string;
  startedAt: Date;
  feltShare: number | null;
  flight: Flight | null;
  reps: RepDot[];
}

/** The drills that a golfer has judged bouts of, the latest first, each with its latest stage. */
export async function practised(
  db: Db,
  golferId: string,
): Promise<{ drillId: string; stageId: string }[]> {
  const rows = await db
    .selectDistinctOn([bout.drillId], {
      drillId: bout.drillId,
      stageId: bout.stageId,
      at: bout.startedAt,
    })
    .from(bout)
    .where(
      and(
        ownedBy(golferId),
        isNull(bout.removedAt),
        isNotNull(bout.drillId),
        isNotNull(bout.stageId),
      ),
    )
    .orderBy(bout.drillId, desc(bout.startedAt));
  return rows
    .sort((a, b) => b.at.getTime() - a.at.getTime())
    .map((r) => ({ drillId: r.drillId!, stageId: r.stageId! }));
}

/** The latest bouts of a drill's stage with film, in order of time. */
export async function boutDots(
  db: Db,
  golferId: string,
  drillId: string,
  stageId: string,
  most: number,
): Promise<BoutDots[]> {
  const bouts = await db
    .select({
      id: bout.id,
      day: bout.day,
      startedAt: bout.startedAt,
      feltShare: bout.feltShare,
      flight: bout.flight,
    })
    .from(bout)
    .where(
      and(
        ownedBy(golferId),
        eq(bout.drillId, drillId),
        eq(bout.stageId, stageId),
        isNull(bout.removedAt),
        eq(bout.byHand, false),
      ),
    )
    .orderBy(desc(bout.startedAt))
    .limit(most);
  if (!bouts.length) return [];
  const rows = await db
    .select({ id: rep.id, boutId: rep.boutId, checks: verdict.checks })
    .from(rep)
    .innerJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed")))
    .where(
      and(
        inArray(
          rep.boutId,
          bouts.map((b) => b.id),
        ),
        isNull(rep.removedAt),
      ),
    )
    .orderBy(asc(rep.createdAt), asc(rep.index));
  const byBout = groups(rows, (r) => r.boutId);
  return bouts.reverse().map((b) => ({
    ...b,
    reps: (byBout.get(b.id) ?? []).map(({ id, checks }) => ({ id, checks })),
  }));
}

/** A measure in a golfer's normal swings, by day. */
export interface NormalSwing {
  id: string;
  day: string;
  measureId: string;
  value: number;
  u: number;
}

/** Some measures in the latest normal swings, in order of time. */
export async function normalSwings(
  db: Db,
  golferId: string,
  measures: readonly string[],
  most: number,
): Promise<NormalSwing[]> {
  if (!measures.length) return [];
  const latest = await db
    .select({ id: rep.id, day: bout.day })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .where(
      and(
        ownedBy(golferId),
        inArray(bout.drillId, [BASELINE, "transfer-check"]),
        isNull(bout.removedAt),
        isNull(rep.removedAt),
      ),
    )
    .orderBy(desc(bout.startedAt))
    .limit(most);
  if (!latest.length) return [];
  const days = new Map(latest.map((r) => [r.id, r.day] as const));
  const rows = await db
    .select()
    .from(measure)
    .where(
      and(
        inArray(
          measure.repId,
          latest.map((r) => r.id),
        ),
        inArray(measure.measureId, [...measures]),
        eq(measure.state, "measured"),
      ),
    );
  return rows
    .flatMap((m) =>
      m.value === null || m.u === null
        ? []
        : [
            {
              id: m.repId,
              day: days.get(m.repId)!,
              measureId: m.measureId,
              value: m.value,
              u: m.u,
            },
          ],
    )
    .sort((a, b) => a.day.localeCompare(b.day));
}

/**
 * Every filmed bout of a drill's stage as progress counts it, in order of time: what the golfer
 * counted was judged by nobody.
 */
export async function boutLines(
  db: Db,
  golferId: string,
  drillId: string,
  stageId?: string,
): Promise<BoutLine[]> {
  return db
    .select({
      day: bout.day,
      drillId: bout.drillId,
      stageId: bout.stageId,
      place: session.place,
      club: bout.club,
      passed: bout.passed,
      failed: bout.failed,
      notJudged: bout.notJudged,
    })
    .from(bout)
    .innerJoin(session, eq(bout.sessionId, session.id))
    .where(
      and(
        ownedBy(golferId),
        eq(bout.drillId, drillId),
        isNull(bout.removedAt),
        eq(bout.byHand, false),
        ...(stageId === undefined ? [] : [eq(bout.stageId, stageId)]),
      ),
    )
    .orderBy(asc(bout.startedAt));
}

/**
 * The middle of a measure in each bout of a drill's stage, in order of time. @param latest only so
 * many
 */
export async function boutMiddles(
  db: Db,
  golferId: string,
  drillId: string,
  stageId: string,
  measureId: string,
  latest?: number,
): Promise<
  {
    boutId: string;
    day: string;
    n: number;
    low: number;
    middle: number;
    high: number;
    u: number;
    feltShare: number | null;
  }[]
> {
  const rows = db
    .select({
      boutId: bout.id,
      day: bout.day,
      n: boutMeasure.n,
      low: boutMeasure.low,
      middle: boutMeasure.middle,
      high: boutMeasure.high,
      u: boutMeasure.u,
      feltShare: bout.feltShare,
    })
    .from(bout)
    .innerJoin(
      boutMeasure,
      and(eq(boutMeasure.boutId, bout.id), eq(boutMeasure.measureId, measureId)),
    )
    .where(
      and(
        ownedBy(golferId),
        eq(bout.drillId, drillId),
        eq(bout.stageId, stageId),
        isNull(bout.removedAt),
      ),
    )
    .orderBy(desc(bout.startedAt))
    .$dynamic();
  return (await (latest === undefined ? rows : rows.limit(latest))).reverse();
}

/** The middles of some measures in the bouts of a drill's stage, by measure, in order of days. */
export async function middlesByDay(
  db: Db,
  golferId: string,
  drillId: string,
  stageId: string,
  measures: readonly string[],
): Promise<Map<string, { day: string; middle: number }[]>> {
  if (!measures.length) return new Map();
  const binned = db
    .select({ id: bout.id })
    .from(bout)
    .where(
      and(
        ownedBy(golferId),
        eq(bout.drillId, drillId),
        eq(bout.stageId, stageId),
        isNotNull(bout.removedAt),
      ),
    );
  // One row a measure: rows of a thousand bouts take longer to be taken apart than to be found.
  const rows = await db
    .select({
      measureId: boutMeasure.measureId,
      days: sql<
        [day: string, middle: number][]
      >`json_agg(json_build_array(${boutMeasure.day}, ${boutMeasure.middle}) order by ${boutMeasure.day})`,
    })
    .from(boutMeasure)
    .where(
      and(
        eq(boutMeasure.golferId, golferId),
        eq(boutMeasure.drillId, drillId),
        eq(boutMeasure.stageId, stageId),
        inArray(boutMeasure.measureId, [...measures]),
        notInArray(boutMeasure.boutId, binned),
      ),
    )
    .groupBy(boutMeasure.measureId);
  return new Map(rows.map((r) => [r.measureId, r.days.map(([day, middle]) => ({ day, middle }))]));
}
