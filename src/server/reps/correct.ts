import { readFile } from "node:fs/promises";
import { and, asc, desc, eq, isNull } from "drizzle-orm";
import { ALGORITHM_VERSION, isSure, openAnalysis, type AnalysedRep } from "../../core/analysis";
import type { Stage } from "../../core/drills";
import { readTrack } from "../../core/formats";
import {
  golferBy,
  outOfOrder,
  overruledBy,
  overridesOf,
  type Correction,
  type Overrides,
} from "../../core/reps";
import { blobPath } from "../blobs/blobs";
import type { Db } from "../db/open";
import { bout, correction, drillVersion, rep, session, verdict } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { recount } from "../practice/recount";
import { keepComputed } from "./keepComputed";
import { verdictRow } from "./rows";

/** There is no such rep of this golfer's. */
export class NoSuchRepError extends Error {
  override name = "NoSuchRepError";
}

/** A rep's corrections that are in force. */
export async function correctionsOf(db: Db, repId: string): Promise<Correction[]> {
  const rows = await db
    .select({ what: correction.what })
    .from(correction)
    .where(and(eq(correction.repId, repId), isNull(correction.undoneAt)))
    .orderBy(asc(correction.place));
  return rows.map((r) => r.what);
}

/**
 * Puts a rep's corrections in force, all of them and no others, and computes what hangs on them, in
 * one transaction. Those that are not among them any more are undone and stay in the record.
 *
 * @throws NoSuchRepError
 * @throws RangeError when no rep is left
 */
export function correctRep(
  db: Db,
  golferId: string,
  repId: string,
  list: readonly Correction[],
): Promise<AnalysedRep> {
  return db.transaction((tx) => corrected(tx, golferId, repId, list));
}

/**
 * All in one transaction that has the rep's row: corrections of a rep follow one another as they
 * came, and what was said last stays.
 */
async function corrected(
  tx: Db,
  golferId: string,
  repId: string,
  list: readonly Correction[],
): Promise<AnalysedRep> {
  await tx.select({ id: rep.id }).from(rep).where(eq(rep.id, repId)).for("no key update");
  const [row] = await tx
    .select({ rep, definition: drillVersion.definition, stageId: bout.stageId })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(session, eq(bout.sessionId, session.id))
    .leftJoin(drillVersion, eq(bout.drillVersionId, drillVersion.id))
    .where(and(eq(rep.id, repId), ownedBy(golferId)));
  if (!row) throw new NoSuchRepError("there is no such rep");
  const known = await tx.select().from(correction).where(eq(correction.repId, repId));
  const first =
    known.flatMap(({ what }) => (what.kind === "golfer" ? [what.was] : []))[0] ?? row.rep;
  const verdicts = await tx.select().from(verdict).where(eq(verdict.repId, repId));
  const stage = row.definition?.stages.find((s) => s.id === row.stageId) ?? null;
  const facts = golferBy(list, first);
  const track = readTrack(await readFile(blobPath("tracks", row.rep.trackSha256)));
  const said = overridesOf(list);
  const [computed, uncorrected] = (["computed", "uncorrected"] as const).map((by) =>
    verdicts.find((v) => v.by === by),
  );
  const again = readAgain(
    track,
    {
      ...row.rep,
      ...facts,
      drill: row.definition?.id ?? "none",
      stage,
      live: verdicts.some((v) => v.by === "live"),
      sure: isSure(list, (uncorrected ?? computed)?.reasonCode ?? undefined),
    },
    said,
  );
  if (!again) throw new RangeError("With that, no rep is left here.");
  const wrong = outOfOrder(again, list);
  if (wrong) throw new RangeError(wrong);
  const overruled = overruledBy(list);
  const ids = new Set(list.map((c) => c.id));
  const now = new Date();
  for (const k of known)
    if (!k.undoneAt !== ids.has(k.id))
      await tx
        .update(correction)
        .set({ undoneAt: ids.has(k.id) ? null : now })
        .where(eq(correction.id, k.id));
  const fresh = list
    .map((what, place) => ({ id: what.id, repId, place, what, algorithm: ALGORITHM_VERSION }))
    .filter(({ id }) => !known.some((k) => k.id === id));
  if (fresh.length) await tx.insert(correction).values(fresh);
  await tx
    .update(rep)
    .set({ ...facts, fromMs: again.from, toMs: again.to, series: again.series })
    .where(eq(rep.id, repId));
  await keepComputed(tx, repId, again, said);
  if (again.verdict && computed) {
    if (!uncorrected) await tx.insert(verdict).values({ ...computed, by: "uncorrected" });
    await tx
      .update(verdict)
      .set(verdictRow(again.verdict))
      .where(and(eq(verdict.repId, repId), eq(verdict.by, "computed")));
  }
  await tx.delete(verdict).where(and(eq(verdict.repId, repId), eq(verdict.by, "golfer")));
  if (overruled)
    await tx.insert(verdict).values({
      repId,
      by: "golfer",
      result: overruled.now,
      reasonCode: "overruled",
      reasonMessage: overruled.reason,
      actions: [],
      checks: [],
    });
  await recount(tx, row.rep.boutId);
  return again;
}

/**
 * A rep that was just read anew, with what was corrected of it before; what can't be of it any more
 * is undone, and stays in the record.
 */
export async function correctAsBefore(db: Db, golferId: string, repId: string): Promise<void> {
  const list = await correctionsOf(db, repId);
  if (!list.length) return;
  try {
    await db.transaction((tx) => corrected(tx, golferId, repId, list));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    await db
      .update(correction)
      .set({ undoneAt: new Date() })
      .where(and(eq(correction.repId, repId), isNull(correction.undoneAt)));
  }
}

interface AskedAgain {
  index: number;
  fromMs: number;
  toMs: number;
  hand: "left" | "right";
  statureCm: number;
  captureFps: number | null;
  drill: string;
  stage: Stage | null;
  live: boolean;
  /** What it looks like was asked about when it was kept, and answered. */
  sure: boolean;
}

/**
 * A kept rep, read again: the one of the track whose middle lies in it, where other hands or
 * another stature find others.
 */
function readAgain(
  track: Parameters<typeof openAnalysis>[0],
  asked: AskedAgain,
  said: Overrides,
): AnalysedRep | null {
  const { hand, statureCm, drill, stage, live, sure } = asked;
  const open = openAnalysis(track, {
    golfer: { hand, statureCm },
    drill,
    live,
    sure,
    ...(stage ? { by: stage } : {}),
    ...(asked.captureFps === null ? {} : { captureFps: asked.captureFps }),
  });
  const at = open.placeOf({ index: asked.index, from: asked.fromMs, to: asked.toMs });
  return at < 0 ? null : open.again(at, said);
}

/** What a golfer corrected and has not taken back, the latest first, each with its rep and when. */
export async function allCorrections(
  db: Db,
  golferId: string,
): Promise<{ repId: string; at: Date; algorithm: string; what: Correction }[]> {
  return db
    .select({
      repId: correction.repId,
      at: correction.createdAt,
      algorithm: correction.algorithm,
      what: correction.what,
    })
    .from(correction)
    .innerJoin(rep, eq(correction.repId, rep.id))
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(session, eq(bout.sessionId, session.id))
    .where(and(ownedBy(golferId), isNull(correction.undoneAt)))
    .orderBy(desc(correction.createdAt));
}
