import { and, asc, desc, eq, exists, gte, ilike, inArray, isNull, lte, or, sql, type SQL } from "drizzle-orm";
import type { Flight } from "../../core/practice/flight";
import type { Db } from "../db/open";
import { bout, drillVersion, session } from "../db/schema";
import { groups } from "../reps/rows";

/** What of the log is wanted; what is left out is not asked for. */
export interface LogFilter {
  /** Every word of it is found in the drill's name, the notes, the place, the weather, the club, the ball or the tags. */
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
export async function logPage(db: Db, golferId: string, filter: LogFilter, limit: number, offset = 0): Promise<LogSession[]> {
  const names = await drillNames(db);
  const wanted = and(eq(bout.golferId, golferId), isNull(bout.removedAt), ...conditions(filter, names));
  const sessions = await db.select().from(session)
    .where(and(eq(session.golferId, golferId), exists(db.select({ one: sql`1` }).from(bout).where(and(eq(bout.sessionId, session.id), wanted)))))
    .orderBy(desc(session.startedAt)).limit(limit).offset(offset);
  if (!sessions.length) return [];
  const rows = await db.select().from(bout).innerJoin(session, eq(bout.sessionId, session.id)).where(and(wanted, inArray(bout.sessionId, sessions.map((s) => s.id)))).orderBy(asc(bout.startedAt));
  const bySession = groups(rows.map((r) => r.bout), (b) => b.sessionId);
  return sessions.map(({ id, startedAt, place, weather, note }) => ({
    id, startedAt, place, weather, note,
    bouts: (bySession.get(id) ?? []).map((b) => {
      const known = b.drillId === null ? undefined : names.get(b.drillId);
      return {
        id: b.id, startedAt: b.startedAt, drillId: b.drillId, drill: known?.name ?? null, stage: known?.stages.get(b.stageId ?? "") ?? null, club: b.club, ball: b.ball, note: b.note, tags: b.tags, feltShare: b.feltShare, flight: b.flight, touched: b.touched,
        byHand: b.byHand, done: b.done, passed: b.passed, failed: b.failed, notJudged: b.notJudged,
      };
    }),
  }));
}

type Names = Map<string, { name: string; stages: Map<string, string> }>;

/** Names of the drills that bouts were done of, as in their latest version, and of their stages. */
export async function drillNames(db: Db): Promise<Names> {
  const rows = await db.select({ id: drillVersion.drillId, name: sql<string>`definition->>'name'`, ids: sql<string[]>`jsonb_path_query_array(definition, '$.stages[*].id')`, stages: sql<string[]>`jsonb_path_query_array(definition, '$.stages[*].name')` })
    .from(drillVersion).orderBy(asc(drillVersion.version));
  return new Map(rows.map((r) => [r.id, { name: r.name, stages: new Map(r.ids.map((id, i) => [id, r.stages[i]!])) }]));
}

function conditions({ text, drillId, place, club, tag, result, from, to }: LogFilter, names: Names): (SQL | undefined)[] {
  const counted = { pass: bout.passed, fail: bout.failed, "not judged": bout.notJudged };
  return [
    drillId === undefined ? undefined : eq(bout.drillId, drillId),
    place === undefined ? undefined : inArray(bout.sessionId, sql`(select id from session where place = ${place})`),
    club === undefined ? undefined : eq(bout.club, club),
    tag === undefined ? undefined : sql`${bout.tags} @> ${JSON.stringify([tag])}::jsonb`,
    result === undefined ? undefined : sql`${counted[result]} > 0`,
    from === undefined ? undefined : gte(bout.day, from),
    to === undefined ? undefined : lte(bout.day, to),
    ...(text ?? "").split(/\s+/).filter(Boolean).map((word) => {
      const like = `%${word.replace(/[\\%_]/g, "\\$&")}%`;
      const drills = [...names].filter(([, n]) => n.name.toLowerCase().includes(word.toLowerCase())).map(([id]) => id);
      return or(
        ilike(sql`concat_ws(' ', ${bout.note}, ${bout.club}, ${bout.ball}, ${bout.tags}::text)`, like),
        sql`${bout.sessionId} in (select id from session where concat_ws(' ', place, weather, note) ilike ${like})`,
        ...(drills.length ? [inArray(bout.drillId, drills)] : []),
      );
    }),
  ];
}

/** What there is to choose from in a golfer's log. */
export async function logChoices(db: Db, golferId: string): Promise<{ drills: { id: string; name: string }[]; places: string[]; clubs: string[]; tags: string[] }> {
  const own = and(eq(bout.golferId, golferId), isNull(bout.removedAt));
  const [names, drills, places, clubs, tags] = await Promise.all([
    drillNames(db),
    db.selectDistinct({ id: bout.drillId }).from(bout).where(own),
    db.selectDistinct({ place: session.place }).from(session).where(eq(session.golferId, golferId)),
    db.selectDistinct({ club: bout.club }).from(bout).where(own),
    db.selectDistinct({ tag: sql<string>`jsonb_array_elements_text(${bout.tags})` }).from(bout).where(own),
  ]);
  return {
    drills: drills.flatMap(({ id }) => (id === null ? [] : [{ id, name: names.get(id)?.name ?? id }])).sort((a, b) => a.name.localeCompare(b.name)),
    places: places.flatMap((p) => p.place ?? []).sort(), clubs: clubs.flatMap((c) => c.club ?? []).sort(), tags: tags.map((t) => t.tag).sort(),
  };
}
