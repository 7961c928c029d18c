import { and, asc, desc, eq, inArray } from "drizzle-orm";
import type { Correction } from "../../core/reps/corrections";
import { alias } from "drizzle-orm/pg-core";
import type { RepSeries } from "../../core/analyse";
import type { Drill, Stage } from "../../core/drills";
import { toldOf, type Measured, type Told, type Verdict } from "../../core/judge/verdict";
import type { Problem } from "../../core/scene/scene";
import type { Db } from "../db/open";
import { bout, clip, drillVersion, event, golfer, measure, rep, session, verdict } from "../db/schema";
import { correctionsOf } from "./correct";
import { groups, toMeasured } from "./rows";

/** The golfer's own verdicts, where they overrule the program's. */
export const overruled = alias(verdict, "overruled");

export interface RepCard {
  id: string;
  /** Place in its bout, from 1. */
  number: number;
  result: Verdict["result"] | null;
  cue: string | null;
  reason: string | null;
  clipName: string;
  series: RepSeries | null;
  events: Record<string, number>;
  /** Where each measure was taken, ms. */
  at: Partial<Record<string, number>>;
  verdict: Verdict | null;
}

export interface BoutCard {
  id: string;
  startedAt: Date;
  place: string | null;
  drillId: string | null;
  drill: string | null;
  stageId: string | null;
  reps: RepCard[];
}

const boutRows = (db: Db) => db
  .select({ id: bout.id, startedAt: bout.startedAt, place: session.place, definition: drillVersion.definition, stageId: bout.stageId })
  .from(bout)
  .innerJoin(session, eq(bout.sessionId, session.id))
  .leftJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id));

/** A golfer's bouts with their reps, latest first. */
export const listBouts = async (db: Db, golferId: string, limit: number, offset = 0): Promise<BoutCard[]> =>
  cardsOf(db, await boutRows(db).where(eq(session.golferId, golferId)).orderBy(desc(bout.startedAt)).limit(limit).offset(offset));

/** One bout of a golfer's with what looking it over takes; null when there is none. */
export async function findBout(db: Db, golferId: string, id: string): Promise<{ card: BoutCard; stage: Stage | null; measures: Map<string, Record<string, Measured>>; problems: Map<string, Problem[]> } | null> {
  const rows = await boutRows(db).where(and(eq(bout.id, id), eq(session.golferId, golferId)));
  const [card] = await cardsOf(db, rows);
  if (!card) return null;
  const ids = card.reps.map((r) => r.id);
  const [measures, reps] = ids.length ? await Promise.all([db.select().from(measure).where(inArray(measure.repId, ids)), db.select({ id: rep.id, problems: rep.problems }).from(rep).where(inArray(rep.id, ids))]) : [[], []];
  const byRep = groups(measures, (m) => m.repId);
  return {
    card, stage: rows[0]!.definition?.stages.find((s) => s.id === card.stageId) ?? null,
    measures: new Map(ids.map((r) => [r, Object.fromEntries((byRep.get(r) ?? []).map((m) => [m.measureId, toMeasured(m)]))])),
    problems: new Map(reps.map((r) => [r.id, r.problems])),
  };
}

async function cardsOf(db: Db, bouts: Awaited<ReturnType<typeof boutRows>>): Promise<BoutCard[]> {
  if (!bouts.length) return [];
  const rows = await db
    .select({ rep, verdict, overruled: overruled.result, clipName: clip.name })
    .from(rep)
    .innerJoin(clip, eq(rep.clipSha256, clip.sha256))
    .leftJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed")))
    .leftJoin(overruled, and(eq(overruled.repId, rep.id), eq(overruled.by, "golfer")))
    .where(inArray(rep.boutId, bouts.map((b) => b.id)))
    .orderBy(asc(rep.createdAt), asc(rep.index));
  const ids = rows.map((r) => r.rep.id);
  const events = ids.length ? await db.select().from(event).where(and(inArray(event.repId, ids), eq(event.foot, ""))) : [];
  const places = ids.length ? await db.select({ repId: measure.repId, id: measure.measureId, at: measure.at }).from(measure).where(inArray(measure.repId, ids)) : [];
  const byRep = groups(events, (e) => e.repId);
  const placesByRep = groups(places, (p) => p.repId);
  return bouts.map((b) => ({
    id: b.id,
    startedAt: b.startedAt,
    place: b.place,
    drillId: b.definition?.id ?? null,
    drill: b.definition?.name ?? null,
    stageId: b.stageId,
    reps: rows.filter((r) => r.rep.boutId === b.id).map((r, i) => ({
      id: r.rep.id,
      number: i + 1,
      result: r.overruled ?? r.verdict?.result ?? null,
      cue: r.verdict?.cueWords ?? null,
      reason: r.verdict?.reasonMessage ?? null,
      clipName: r.clipName,
      series: r.rep.series,
      events: Object.fromEntries((byRep.get(r.rep.id) ?? []).map((e) => [e.name, e.t])),
      at: Object.fromEntries((placesByRep.get(r.rep.id) ?? []).flatMap((p) => (p.at === null ? [] : [[p.id, p.at]]))),
      verdict: r.verdict && toVerdict(r.verdict),
    })),
  }));
}

export interface RepDetail {
  id: string;
  number: number;
  boutReps: string[];
  boutStartedAt: Date;
  place: string | null;
  drillId: string | null;
  drill: string | null;
  /** Why the drill helps, and the stage, as they stood when the rep was judged. */
  why: string | null;
  dose: Drill["dose"] | null;
  stage: Stage | null;
  clip: { sha256: string; name: string; kept: boolean };
  trackSha256: string;
  hand: "left" | "right";
  statureCm: number;
  units: "cm" | "inch";
  captureFps: number | null;
  problems: Problem[];
  events: { name: string; foot: string; t: number; u: number; by: "computed" | "golfer" }[];
  /** Place among the track's reps; when it began and ended, ms on its own clock. */
  index: number;
  from: number;
  to: number;
  /** Seen by a running camera. */
  live: boolean;
  /** What the golfer says is otherwise; the verdict before that, null where nothing is. */
  corrections: Correction[];
  uncorrected: Told | null;
  measures: Record<string, Measured>;
  verdict: Verdict | null;
  series: RepSeries;
}

/** One rep with all that its page shows; null when there is none. */
export async function findRep(db: Db, id: string): Promise<RepDetail | null> {
  const [row] = await db
    .select({ rep, bout, session, clip, definition: drillVersion.definition, units: golfer.units })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(session, eq(bout.sessionId, session.id))
    .innerJoin(golfer, eq(session.golferId, golfer.id))
    .innerJoin(clip, eq(rep.clipSha256, clip.sha256))
    .leftJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .where(eq(rep.id, id));
  if (!row || !row.rep.series) return null;
  const [siblings, events, measures, verdicts, corrections] = await Promise.all([
    db.select({ id: rep.id }).from(rep).where(eq(rep.boutId, row.bout.id)).orderBy(asc(rep.createdAt), asc(rep.index)),
    db.select().from(event).where(eq(event.repId, id)).orderBy(asc(event.t)),
    db.select().from(measure).where(eq(measure.repId, id)),
    db.select().from(verdict).where(eq(verdict.repId, id)),
    correctionsOf(db, id),
  ]);
  const boutReps = siblings.map((s) => s.id);
  const said = (by: (typeof verdicts)[number]["by"]) => {
    const row = verdicts.find((v) => v.by === by);
    return row ? toVerdict(row) : null;
  };
  const before = said("uncorrected");
  return {
    id,
    number: boutReps.indexOf(id) + 1,
    boutReps,
    boutStartedAt: row.bout.startedAt,
    place: row.session.place,
    drillId: row.definition?.id ?? null,
    drill: row.definition?.name ?? null,
    why: row.definition?.why ?? null,
    dose: row.definition?.dose ?? null,
    stage: row.definition?.stages.find((s) => s.id === row.bout.stageId) ?? null,
    clip: { sha256: row.clip.sha256, name: row.clip.name, kept: row.clip.kept },
    trackSha256: row.rep.trackSha256,
    hand: row.rep.hand,
    statureCm: row.rep.statureCm,
    units: row.units,
    captureFps: row.rep.captureFps,
    problems: row.rep.problems,
    events: events.map(({ name, foot, t, u, by }) => ({ name, foot, t, u, by })),
    index: row.rep.index,
    from: row.rep.fromMs,
    to: row.rep.toMs,
    live: verdicts.some((v) => v.by === "live"),
    corrections,
    uncorrected: corrections.length && before ? toldOf(before) : null,
    measures: Object.fromEntries(measures.map((m) => [m.measureId, toMeasured(m)])),
    verdict: said("computed"),
    series: row.rep.series,
  };
}

function toVerdict(v: typeof verdict.$inferSelect): Verdict {
  return {
    result: v.result,
    reason: v.reasonCode ? { code: v.reasonCode, message: v.reasonMessage ?? "" } : null,
    cue: v.cueId ? { id: v.cueId, words: v.cueWords ?? "" } : null,
    actions: v.actions,
    checks: v.checks,
  };
}
