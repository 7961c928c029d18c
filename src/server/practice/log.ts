import {
  and,
  asc,
  desc,
  eq,
  exists,
  gte,
  inArray,
  isNull,
  like,
  lte,
  or,
  sql,
  type SQL,
} from "drizzle-orm";
import { DRILLS } from "../../core/drills";
import type { Flight } from "../../core/practice";
import type { Db } from "../db/open";
import { bout, drillVersion, ownDrill, session } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { groups } from "../reps/rows";

/** What of the log is wanted; what is left out is not asked for. */
export interface LogFilter {
  /**
   * Every word of it is found in the drill's name, the notes, the place, the weather, the club, the
   * ball or the tags.
   */
  text?: string;
  drillId?: string;
  place?: string;
  club?: string;
  tag?: string;
  /** Only bouts with a rep of this result. */
  result?: "pass" | "fail" | "not judged";
  /** First and last day. */
  from?: string;
  to?: string;
}

/** A bout as the log lists it. */
export interface LogBout {
  id: string;
  startedAt: Date;
  drillId: string | null;
  drill: string | null;
  stage: string | null;
  club: string | null;
  ball: string | null;
  note: string | null;
  tags: string[];
  feltShare: number | null;
  flight: Flight | null;
  touched: number | null;
  byHand: boolean;
  done: number;
  passed: number;
  failed: number;
  notJudged: number;
}

export interface LogSession {
  id: string;
  startedAt: Date;
  place: string | null;
  weather: string | null;
  note: string | null;
  /** Those that are wanted. */
  bouts: LogBout[];
}

/** A page of a golfer's sessions that have a wanted bout, the latest first, with those bouts. */
export async function logPage(
  db: Db,
  golferId: string,
  filter: LogFilter,
  limit: number,
  offset = 0,
): Promise<LogSession[]> {
  const names = await drillNames(db);
  const asked = conditions(filter, names).filter((c) => c !== undefined);
  const wanted = and(ownedBy(golferId), isNull(bout.removedAt), ...asked);
  const { id, startedAt, place, weather, note } = session;
  const all = db.select({ id, startedAt, place, weather, note }).from(session).$dynamic();
  // All of a log's sessions have a bout; of a few that are looked for their sessions are found
  // first.
  const some = db.selectDistinct({ sessionId: bout.sessionId }).from(bout).where(wanted).as("some");
  const sessions = await (
    asked.length
      ? all.innerJoin(some, eq(some.sessionId, session.id))
      : all.where(
          and(
            eq(session.golferId, golferId),
            exists(
              db
                .select({ one: sql`1` })
                .from(bout)
                .where(and(eq(bout.sessionId, session.id), wanted)),
            ),
          ),
        )
  )
    .orderBy(desc(session.startedAt))
    .limit(limit)
    .offset(offset);
  if (!sessions.length) return [];
  const rows = await db
    .select({
      id: bout.id,
      sessionId: bout.sessionId,
      startedAt: bout.startedAt,
      drillId: bout.drillId,
      stageId: bout.stageId,
      club: bout.club,
      ball: bout.ball,
      note: bout.note,
      tags: bout.tags,
      feltShare: bout.feltShare,
      flight: bout.flight,
      touched: bout.touched,
      byHand: bout.byHand,
      done: bout.done,
      passed: bout.passed,
      failed: bout.failed,
      notJudged: bout.notJudged,
    })
    .from(bout)
    .where(
      and(
        wanted,
        inArray(
          bout.sessionId,
          sessions.map((s) => s.id),
        ),
      ),
    )
    .orderBy(asc(bout.startedAt));
  const bySession = groups(rows, (b) => b.sessionId);
  return sessions.map((s) => ({
    ...s,
    bouts: (bySession.get(s.id) ?? []).map(({ sessionId: _, stageId, ...b }) => {
      const known = b.drillId === null ? undefined : names.get(b.drillId);
      return { ...b, drill: known?.name ?? null, stage: known?.stages.get(stageId ?? "") ?? null };
    }),
  }));
}

type Names = Map<string, { name: string; stages: Map<string, string> }>;

const BUILT_IN: Names = new Map(
  DRILLS.map((d) => [d.id, { name: d.name, stages: new Map(d.stages.map((s) => [s.id, s.name])) }]),
);

/**
 * Names of the drills that bouts were done of, and of their stages: the program's own, and golfers'
 * as in their latest version.
 */
export async function drillNames(db: Db): Promise<Names> {
  const rows = await db
    .select({
      id: drillVersion.drillId,
      name: sql<string>`definition->>'name'`,
      ids: sql<string[]>`jsonb_path_query_array(definition, '$.stages[*].id')`,
      stages: sql<string[]>`jsonb_path_query_array(definition, '$.stages[*].name')`,
    })
    .from(drillVersion)
    .where(inArray(drillVersion.drillId, db.select({ id: ownDrill.id }).from(ownDrill)))
    .orderBy(asc(drillVersion.version));
  return new Map([
    ...BUILT_IN,
    ...rows.map(
      (r) =>
        [
          r.id,
          { name: r.name, stages: new Map(r.ids.map((id, i) => [id, r.stages[i]!])) },
        ] as const,
    ),
  ]);
}

function conditions(
  { text, drillId, place, club, tag, result, from, to }: LogFilter,
  names: Names,
): (SQL | undefined)[] {
  const counted = { pass: bout.passed, fail: bout.failed, "not judged": bout.notJudged };
  return [
    drillId === undefined ? undefined : eq(bout.drillId, drillId),
    place === undefined
      ? undefined
      : inArray(bout.sessionId, sql`(select id from session where place = ${place})`),
    club === undefined ? undefined : eq(bout.club, club),
    tag === undefined ? undefined : sql`${bout.tags} @> ${JSON.stringify([tag])}::jsonb`,
    result === undefined ? undefined : sql`${counted[result]} > 0`,
    from === undefined ? undefined : gte(bout.day, from),
    to === undefined ? undefined : lte(bout.day, to),
    ...(text ?? "")
      .split(/\s+/)
      .filter(Boolean)
      .map((word) => {
        const small = word.toLowerCase();
        const drills = [...names]
          .filter(([, n]) => n.name.toLowerCase().includes(small))
          .map(([id]) => id);
        return or(
          like(bout.words, `%${small.replace(/[\\%_]/g, "\\$&")}%`),
          ...(drills.length ? [inArray(bout.drillId, drills)] : []),
        );
      }),
  ];
}

/** What there is to choose from in a golfer's log. */
export async function logChoices(
  db: Db,
  golferId: string,
): Promise<{
  drills: { id: string; name: string }[];
  places: string[];
  clubs: string[];
  tags: string[];
}> {
  const own = and(ownedBy(golferId), isNull(bout.removedAt));
  const [names, drills, places, clubs, tags] = await Promise.all([
    drillNames(db),
    db.selectDistinct({ id: bout.drillId }).from(bout).where(own),
    db.selectDistinct({ place: session.place }).from(session).where(eq(session.golferId, golferId)),
    db.selectDistinct({ club: bout.club }).from(bout).where(own),
    db
      .selectDistinct({ tag: sql<string>`jsonb_array_elements_text(${bout.tags})` })
      .from(bout)
      .where(own),
  ]);
  return {
    drills: drills
      .flatMap(({ id }) => (id === null ? [] : [{ id, name: names.get(id)?.name ?? id }]))
      .sort((a, b) => a.name.localeCompare(b.name)),
    places: places.flatMap((p) => p.place ?? []).sort(),
    clubs: clubs.flatMap((c) => c.club ?? []).sort(),
    tags: tags.map((t) => t.tag).sort(),
  };
}
