import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import { and, desc, eq, gt, isNull, lte } from "drizzle-orm";
import { ALGORITHM_VERSION, analyse, middleMs, type AnalysedRep, type Analysis } from "../../core/analyse";
import { findStage, stageOf, type Drill, type Stage } from "../../core/drills";
import { readTrack } from "../../core/formats/trackFile";
import { toldOf, type Told } from "../../core/judge/verdict";
import { sameRep } from "../../core/live/sameRep";
import { toldEvents } from "../../core/toldEvents";
import { blobPath, blobSize } from "../blobs/blobs";
import type { Db } from "../db/open";
import { drillOf, keepDrillVersion } from "../drills/ownDrills";
import { bout, clip, event, golfer, measure, rep, session, verdict } from "../db/schema";
import { localDay } from "../practice/localDay";
import { recount, reword } from "../practice/recount";
import { sessionAt } from "../practice/sessionAt";
import { measureRows } from "./correct";
import { verdictRow } from "./rows";

export interface SaveRequest {
  golferId: string;
  clip: { sha256: string; name: string; bytes: number };
  trackSha256: string;
  drill: string;
  stage?: string;
  captureFps?: number;
  /** When it was filmed or read; decides session and bout. */
  at: Date;
  place?: string;
  /** The bout it belongs to, of one who counts bouts (the filming page): made when it is not there yet. Else found by time. */
  boutId?: string;
  /**
   * What the golfer was told on the spot of each rep, and where its middle is in the track, ms; kept beside what is computed
   * here. Reps of the track that nothing was told of are not kept: they are another clip's, or were taken back.
   */
  told?: ToldRep[];
}

export type ToldRep = Told & { about: number };

/** A bout goes on for this long after it began, ms. */
const BOUT_GAP = 45 * 60_000;

/**
 * Judges a stored track and keeps its reps, in one transaction: what is answered is on disk. The same clip read again in
 * the same bout replaces its own reps.
 *
 * @throws Error when the golfer or the track is not there
 */
export async function saveReps(db: Db, request: SaveRequest): Promise<{ ids: string[]; analysis: Analysis }> {
  const [who] = await db.select().from(golfer).where(eq(golfer.id, request.golferId));
  if (!who) throw new Error("there is no such golfer");
  const chosen = await chosenBy(db, request);
  const track = readTrack(await readFile(blobPath("tracks", request.trackSha256)));
  const analysis = analyse(track, {
    golfer: { statureCm: who.statureCm, hand: who.hand }, drill: request.drill, stage: request.stage, captureFps: request.captureFps, live: request.boutId !== undefined, ...(chosen ? { by: chosen.stage } : {}),
  });
  // A clip that may be slow motion is kept once its speed is known.
  if (analysis.problems.some((p) => p.code === "slowMotion")) return { ids: [], analysis };
  const kept = (await blobSize("clips", request.clip.sha256)) !== null;
  const ids = await db.transaction(async (tx) => {
    await tx.insert(clip).values({ ...request.clip, kept }).onConflictDoUpdate({ target: clip.sha256, set: { kept, name: request.clip.name } });
    const boutId = await findBout(tx as unknown as Db, request, chosen);
    await tx.delete(rep).where(and(eq(rep.boutId, boutId), eq(rep.clipSha256, request.clip.sha256)));
    const out: string[] = [];
    for (const { r, live } of withTold(analysis.reps, request.told)) {
      const id = randomUUID();
      out.push(id);
      await tx.insert(rep).values({
        id, boutId, clipSha256: request.clip.sha256, trackSha256: request.trackSha256, index: r.index, kind: r.kind, fromMs: r.from, toMs: r.to,
        hand: who.hand, statureCm: who.statureCm, captureFps: request.captureFps ?? null, algorithm: ALGORITHM_VERSION,
        problems: analysis.problems, series: r.series, createdAt: request.at,
      });
      const events = toldEvents(r);
      if (events.length) await tx.insert(event).values(events.map((e) => ({ repId: id, ...e })));
      await tx.insert(measure).values(measureRows(r).map((m) => ({ repId: id, ...m })));
      if (r.verdict) await tx.insert(verdict).values({ repId: id, ...verdictRow(r.verdict) });
      if (live) await tx.insert(verdict).values({ repId: id, ...verdictRow({ ...toldOf(live), actions: [], checks: [] }), by: "live" });
    }
    await recount(tx as unknown as Db, boutId);
    return out;
  });
  return { ids, analysis };
}

/** Each rep with what was told of it: for each answer the nearest rep that has none yet, where anything was told at all. */
function withTold(reps: readonly AnalysedRep[], told: readonly ToldRep[] | undefined): { r: AnalysedRep; live: ToldRep | null }[] {
  if (!told) return reps.map((r) => ({ r, live: null }));
  const apart = (r: AnalysedRep, live: ToldRep) => Math.abs(middleMs(r) - live.about);
  const left = new Set(reps);
  return told.flatMap((live) => {
    const r = [...left].filter((one) => sameRep(middleMs(one), live.about)).sort((a, b) => apart(a, live) - apart(b, live))[0];
    if (!r) return [];
    left.delete(r);
    return [{ r, live }];
  });
}

interface Chosen {
  drill: Drill;
  stage: Stage;
}

/** Takes the reps of a clip out of one of a golfer's bouts. */
export async function takeBackReps(db: Db, golferId: string, boutId: string, clipSha256: string): Promise<void> {
  const [own] = await db.select({ id: bout.id }).from(bout).innerJoin(session, eq(bout.sessionId, session.id)).where(and(eq(bout.id, boutId), eq(session.golferId, golferId)));
  if (!own) return;
  await db.transaction(async (tx) => {
    await tx.delete(rep).where(and(eq(rep.boutId, boutId), eq(rep.clipSha256, clipSha256)));
    await recount(tx as unknown as Db, boutId);
  });
}

/** What the reps are judged by; null where they are only measured. */
async function chosenBy(db: Db, { drill: id, stage }: SaveRequest): Promise<Chosen | null> {
  if (id === "none") return null;
  const own = await drillOf(db, id);
  return own ? { drill: own, stage: stageOf(own, stage) } : findStage(id, stage);
}

/** The bout a rep belongs to: the golfer's latest one of that drill if it is still going on, else a new one. */
async function findBout(db: Db, request: SaveRequest, chosen: Chosen | null): Promise<string> {
  const versionId = chosen ? await keepDrillVersion(db, chosen.drill) : null;
  const stageId = chosen?.stage.id ?? null;
  if (request.boutId && (await db.select({ id: bout.id }).from(bout).where(eq(bout.id, request.boutId))).length) return request.boutId;
  if (!request.boutId) {
    const [running] = await db.select({ id: bout.id }).from(bout).where(and(
      eq(bout.golferId, request.golferId), isNull(bout.removedAt), eq(bout.byHand, false), versionId ? eq(bout.drillVersionId, versionId) : isNull(bout.drillVersionId), stageId ? eq(bout.stageId, stageId) : isNull(bout.stageId),
      gt(bout.startedAt, new Date(request.at.getTime() - BOUT_GAP)), lte(bout.startedAt, request.at),
    )).orderBy(desc(bout.startedAt)).limit(1);
    if (running) return running.id;
  }
  const sessionId = await sessionAt(db, request.golferId, request.at, request.place ?? null);
  const id = request.boutId ?? randomUUID();
  await db.insert(bout).values({ id, sessionId, drillVersionId: versionId, stageId, startedAt: request.at, golferId: request.golferId, drillId: chosen?.drill.id ?? null, day: localDay(request.at) });
  await reword(db, sessionId);
  return id;
}
