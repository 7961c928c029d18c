import { and, asc, eq, isNull, or } from "drizzle-orm";
import type { RepSeries } from "../../core/analysis";
import type { Drill, Stage } from "../../core/drills";
import { summaryOf, type Measured, type VerdictSummary, type Verdict } from "../../core/judge";
import type { LaidInsoles } from "../../core/practice";
import type { Correction } from "../../core/reps";
import type { Problem } from "../../core/scene";
import { isId } from "../db/isId";
import type { Db } from "../db/open";
import {
  bout,
  clip,
  drillVersion,
  event,
  golfer,
  measure,
  rep,
  session,
  verdict,
} from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { correctionsOf } from "./correct";
import { insolesOf } from "./insoles";
import { toMeasured, toVerdict } from "./rows";

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
  /** Version of the methods whose numbers these are. */
  algorithm: string;
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
  uncorrected: VerdictSummary | null;
  measures: Record<string, Measured>;
  verdict: Verdict | null;
  series: RepSeries;
  /** What insoles measured, if any were worn. */
  insoles: LaidInsoles | null;
}

/** One of a golfer's reps with all that its page shows; null when there is none. */
export async function findRep(db: Db, golferId: string, id: string): Promise<RepDetail | null> {
  if (!isId(id)) return null;
  const [row] = await db
    .select({ rep, bout, session, clip, definition: drillVersion.definition, units: golfer.units })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(session, eq(bout.sessionId, session.id))
    .innerJoin(golfer, eq(session.golferId, golfer.id))
    .innerJoin(clip, eq(rep.clipSha256, clip.sha256))
    .leftJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .where(and(eq(rep.id, id), ownedBy(golferId)));
  if (!row || !row.rep.series) return null;
  const [siblings, events, measures, verdicts, corrections, insoles] = await Promise.all([
    db
      .select({ id: rep.id })
      .from(rep)
      .where(and(eq(rep.boutId, row.bout.id), or(isNull(rep.removedAt), eq(rep.id, id))))
      .orderBy(asc(rep.createdAt), asc(rep.index)),
    db.select().from(event).where(eq(event.repId, id)).orderBy(asc(event.t)),
    db.select().from(measure).where(eq(measure.repId, id)),
    db.select().from(verdict).where(eq(verdict.repId, id)),
    correctionsOf(db, id),
    insolesOf(db, id),
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
    algorithm: row.rep.algorithm,
    problems: row.rep.problems,
    events: events.map(({ name, foot, t, u, by }) => ({ name, foot, t, u, by })),
    index: row.rep.index,
    from: row.rep.fromMs,
    to: row.rep.toMs,
    live: verdicts.some((v) => v.by === "live"),
    corrections,
    uncorrected: corrections.length && before ? summaryOf(before) : null,
    measures: Object.fromEntries(measures.map((m) => [m.measureId, toMeasured(m)])),
    verdict: said("computed"),
    series: row.rep.series,
    insoles,
  };
}
