import { and, eq, inArray } from "drizzle-orm";
import type { RepSeries } from "../../core/analysis";
import type { Verdict } from "../../core/judge";
import { samplesOf } from "../../core/reps";
import type { Db } from "../db/open";
import { bout, event, measure, rep, session, verdict } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { groups, toVerdict } from "./rows";

/** What a small strip is drawn from. */
export interface KeptStrip {
  series: RepSeries;
  hand: "left" | "right";
  events: Record<string, number>;
  /** Where each measure was taken, ms. */
  at: Record<string, number>;
  verdict: Verdict | null;
}

/** A small strip is no higher than this, px: more samples can't be told apart. */
const SAMPLES = 170;

/**
 * The strips of a golfer's reps, by rep, with as many samples as a small one shows; those that are
 * not there are left out.
 */
export async function keptStrips(
  db: Db,
  golferId: string,
  ids: readonly string[],
): Promise<Record<string, KeptStrip>> {
  if (!ids.length) return {};
  const rows = await db
    .select({ id: rep.id, hand: rep.hand, series: rep.series, verdict })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(session, eq(bout.sessionId, session.id))
    .leftJoin(verdict, and(eq(verdict.repId, rep.id), eq(verdict.by, "computed")))
    .where(and(inArray(rep.id, [...ids]), ownedBy(golferId)));
  const own = rows.map((r) => r.id);
  if (!own.length) return {};
  const [events, places] = await Promise.all([
    db
      .select()
      .from(event)
      .where(and(inArray(event.repId, own), eq(event.foot, ""))),
    db
      .select({ repId: measure.repId, id: measure.measureId, at: measure.at })
      .from(measure)
      .where(inArray(measure.repId, own)),
  ]);
  const [eventsOf, placesOf] = [groups(events, (e) => e.repId), groups(places, (p) => p.repId)];
  return Object.fromEntries(
    rows.flatMap((r) =>
      r.series
        ? [
            [
              r.id,
              {
                series: thinned(r.series),
                hand: r.hand,
                events: Object.fromEntries((eventsOf.get(r.id) ?? []).map((e) => [e.name, e.t])),
                at: Object.fromEntries(
                  (placesOf.get(r.id) ?? []).flatMap((p) => (p.at === null ? [] : [[p.id, p.at]])),
                ),
                verdict: r.verdict && toVerdict(r.verdict),
              } satisfies KeptStrip,
            ],
          ]
        : [],
    ),
  );
}

function thinned(series: RepSeries): RepSeries {
  const every = Math.ceil(series.t.length / SAMPLES);
  return every > 1 ? samplesOf(series, (i) => i % every === 0) : series;
}
