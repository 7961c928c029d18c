import { and, asc, desc, eq, inArray, isNull, ne, sql, type SQL } from "drizzle-orm";
import type { Stage } from "../../core/drills";
import type { Verdict } from "../../core/judge";
import type { GlanceRep } from "../../core/practice";
import type { Problem } from "../../core/scene";
import type { Db } from "../db/open";
import { bout, clip, drillVersion, measure, rep, session, verdict } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { groups, overruled } from "./rows";

/** A rep as a list shows it; its strip is fetched for itself (strips.ts). */
export interface RepCard {
  id: string;
  /** Place in its bout, from 1. */
  number: number;
  /** As the golfer says, where they overrule the program. */
  result: Verdict["result"] | null;
  cue: string | null;
  reason: string | null;
  clipName: string;
}

export interface BoutCard {
  id: string;
  sessionId: string;
  startedAt: Date;
  place: string | null;
  drillId: string | null;
  drill: string | null;
  stage: Stage | null;
  /** Counted by the golfer, without film; and how many. */
  byHand: boolean;
  done: number;
  reps: RepCard[];
}

/** A bout with what looking it over takes. */
export interface LookedOver {
  bout: BoutCard;
  reps: GlanceRep[];
  /** What was wrong with the film, by rep. */
  problems: Record<string, Problem[]>;
}

const boutRows = (db: Db, which: SQL | undefined) =>
  db
    .select({
      id: bout.id,
      sessionId: session.id,
      startedAt: bout.startedAt,
      place: session.place,
      definition: drillVersion.definition,
      stageId: bout.stageId,
      byHand: bout.byHand,
      done: bout.done,
    })
    .from(bout)
    .innerJoin(session, eq(bout.sessionId, session.id))
    .leftJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .where(and(which, isNull(bout.removedAt)));

/** A golfer's bouts with their reps, latest first. */
export const listBouts = async (
  db: Db,
  golferId: string,
  limit: number,
  offset = 0,
): Promise<BoutCard[]> =>
  withReps(
    db,
    await boutRows(db, ownedBy(golferId)).orderBy(desc(bout.startedAt)).limit(limit).offset(offset),
  );

/** Some bouts of a golfer's with their reps, by id. */
export const boutsById = async (
  db: Db,
  golferId: string,
  ids: readonly string[],
): Promise<Map<string, BoutCard>> =>
  new Map(
    ids.length
      ? (
          await withReps(db, await boutRows(db, and(inArray(bout.id, [...ids]), ownedBy(golferId))))
        ).map((b) => [b.id, b] as const)
      : [],
  );

/** One bout of a golfer's; null when there is none. */
export async function findBout(db: Db, golferId: string, id: string): Promise<LookedOver | null> {
  const [only] = await lookedOver(db, await boutRows(db, and(eq(bout.id, id), ownedBy(golferId))));
  return only ?? null;
}

/** The golfer's latest bout with what looking it over takes; null before the first. */
export async function latestBout(db: Db, golferId: string): Promise<LookedOver | null> {
  const [only] = await lookedOver(
    db,
    await boutRows(db, ownedBy(golferId)).orderBy(desc(bout.startedAt)).limit(1),
  );
  return only ?? null;
}

/** The bouts of one of a golfer's sessions, in their order; none when there is no such session. */
export const findSession = async (db: Db, golferId: string, id: string): Promise<LookedOver[]> =>
  lookedOver(
    db,
    await boutRows(db, and(eq(session.id, id), ownedBy(golferId))).orderBy(asc(bout.startedAt)),
    false,
  );

type BoutRows = Awaited<ReturnType<typeof boutRows>>;

async function withReps(db: Db, bouts: BoutRows): Promise<BoutCard[]> {
  if (!bouts.length) return [];
  const rows = await db
    .select({
      id: rep.id,
      boutId: rep.boutId,
      result: verdict.result,
      cue: verdict.cueWords,
      reason: verdict.reasonMessage,
      overruled: overruled.result,
      clipName: clip.name,
    })
    .from(rep)
    .innerJoin(clip, eq(rep.clipSha256, clip.sha256))
    .leftJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed")))
    .leftJoin(overruled, and(eq(overruled.repId, rep.id), eq(overruled.by, "golfer")))
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
  return bouts.map(({ definition, stageId, ...b }) => {
    return {
      ...b,
      drillId: definition?.id ?? null,
      drill: definition?.name ?? null,
      stage: definition?.stages.find((s) => s.id === stageId) ?? null,
      reps: (byBout.get(b.id) ?? []).map(
        ({ id, result, overruled: own, cue, reason, clipName }, i) => ({
          id,
          number: i + 1,
          result: own ?? result,
          cue,
          reason,
          clipName,
        }),
      ),
    };
  });
}

/**
 * Of the measures only those that a check asks for. @param close whether it is asked how close
 * failed reps came, and what was wrong with films
 */
async function lookedOver(db: Db, rows: BoutRows, close = true): Promise<LookedOver[]> {
  const bouts = await withReps(db, rows);
  const asked = [...new Set(bouts.flatMap((b) => b.stage?.checks.map((c) => c.measure) ?? []))];
  if (!bouts.some((b) => b.reps.length))
    return bouts.map((b) => ({ bout: b, reps: [], problems: {} }));
  // By their bouts: hundreds of reps' own ids take longer to send than to look up.
  const theirs = and(
    inArray(
      rep.boutId,
      bouts.map((b) => b.id),
    ),
    isNull(rep.removedAt),
  );
  const [wrong, measures] = await Promise.all([
    close
      ? db
          .select({ id: rep.id, problems: rep.problems, checks: verdict.checks })
          .from(rep)
          .leftJoin(
            verdict,
            and(eq(verdict.repId, rep.id), eq(verdict.by, "computed"), ne(verdict.result, "pass")),
          )
          .where(theirs)
      : [],
    // One row a rep: of a session's thousand and more, as rows, most of the time would go into
    // taking them apart.
    asked.length
      ? db
          .select({
            repId: measure.repId,
            known: sql<
              GlanceRep["measures"]
            >`jsonb_object_agg(${measure.measureId}, jsonb_build_object('value', ${measure.value}, 'u', ${measure.u}))`,
          })
          .from(rep)
          .innerJoin(measure, and(eq(measure.repId, rep.id), inArray(measure.measureId, asked)))
          .where(theirs)
          .groupBy(measure.repId)
      : [],
  ]);
  const [byRep, known] = [
    new Map(measures.map((m) => [m.repId, m.known] as const)),
    new Map(wrong.map((w) => [w.id, w] as const)),
  ];
  return bouts.map((b) => ({
    bout: b,
    reps: b.reps.map(({ id, result, cue }) => ({
      id,
      result,
      cue,
      checks: known.get(id)?.checks ?? null,
      measures: byRep.get(id) ?? {},
    })),
    problems: Object.fromEntries(b.reps.map(({ id }) => [id, known.get(id)?.problems ?? []])),
  }));
}
