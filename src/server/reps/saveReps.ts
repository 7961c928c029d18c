import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import { and, asc, desc, eq, gt, inArray, isNull, lte, ne, notInArray, sql } from "drizzle-orm";
import {
  ALGORITHM_VERSION,
  analyse,
  middleMs,
  questionOf,
  type AnalysedRep,
  type Analysis,
} from "../../core/analysis";
import { findStage, stageOf, type Drill, type Stage } from "../../core/drills";
import { readTrack } from "../../core/formats";
import { summaryOf } from "../../core/judge";
import { nearestPairs, withTold, type ToldRep } from "../../core/live";
import { blobPath, blobSize } from "../blobs/blobs";
import type { Db } from "../db/open";
import { drillOf, keepDrillVersion } from "../drills/ownDrills";
import { bout, clip, golfer, rep, session, verdict } from "../db/schema";
import { lockGolfer, ownBout, ownedBy } from "../golfers/whose";
import { localDay } from "../practice/localDay";
import { recount, reword } from "../practice/recount";
import { sessionAt } from "../practice/sessionAt";
import { keepShownWeek } from "../practice/week";
import { expectFewer } from "../store/census";
import { UserError } from "../userError";
import { correctAsBefore } from "./correct";
import { keepComputed } from "./keepComputed";
import { verdictRow } from "./rows";

export interface SaveRequest {
  golferId: string;
  /**
   * Hand and stature as they were when the film or the reading began; as the golfer has them now
   * where that is not said.
   */
  as?: Pick<typeof golfer.$inferSelect, "hand" | "statureCm">;
  clip: { sha256: string; name: string; bytes: number };
  trackSha256: string;
  drill: string;
  stage?: string;
  /** The version of an own drill that the film or the reading began with; else the one in use. */
  drillVersion?: number;
  captureFps?: number;
  /** The golfer has said that it is this drill by this hand, whatever it looks like. */
  sure?: boolean;
  /** When it was filmed or read; decides session and bout. */
  at: Date;
  place?: string;
  /**
   * The bout it belongs to, of one who counts bouts (the filming page): made when it is not there
   * yet. Else found by time.
   */
  boutId?: string;
  /**
   * What the golfer was told on the spot of each rep, and where its middle is in the track, ms;
   * kept beside what is computed here. Reps of the track that nothing was told of are not kept:
   * they are another clip's, or were taken back.
   */
  told?: ToldRep[];
}

const GONE = "The golfer whom this was filmed for is not here any more.";

/** A bout goes on for this long after it began, ms. */
const BOUT_GAP = 45 * 60_000;

/**
 * Judges a stored track and keeps its reps, in one transaction: what is answered is on disk. The
 * same clip read again in the same bout brings its own reps up to date: one that is found again
 * stays the same rep, and what was corrected of it stands.
 *
 * @throws UserError when the golfer is gone, or the bout is another golfer's or another drill's
 * @throws RangeError for a drill or a stage that does not exist
 * @throws Error when the track is not there
 */
export async function saveReps(
  db: Db,
  request: SaveRequest,
): Promise<{ ids: string[]; analysis: Analysis }> {
  const [known] = await db.select().from(golfer).where(eq(golfer.id, request.golferId));
  if (!known) throw new UserError(GONE, 409);
  const who = request.as ?? known;
  const chosen = await chosenBy(db, request);
  const track = readTrack(await readFile(blobPath("tracks", request.trackSha256)));
  const analysis = analyse(track, {
    golfer: { statureCm: who.statureCm, hand: who.hand },
    drill: request.drill,
    stage: request.stage,
    captureFps: request.captureFps,
    live: request.boutId !== undefined,
    ...(request.sure ? { sure: true } : {}),
    ...(chosen ? { by: chosen.stage } : {}),
  });
  // What must be asked first is kept once it is answered; what was told live is kept as it was told.
  if (request.boutId === undefined && questionOf(analysis)) return { ids: [], analysis };
  const size = await blobSize("clips", request.clip.sha256);
  const kept = size !== null;
  const film = { ...request.clip, bytes: size ?? request.clip.bytes, kept };
  const ids = await db.transaction(async (tx) => {
    // Reps of one golfer are kept one after another: else two that come together would each begin a
    // bout.
    if (!(await lockGolfer(tx, request.golferId))) throw new UserError(GONE, 409);
    await tx.insert(clip).values(film).onConflictDoUpdate({ target: clip.sha256, set: film });
    const boutId = await findBout(tx, request, chosen);
    const found = withTold(analysis.reps, request.told);
    const before = await knownReps(
      tx,
      request,
      boutId,
      found.map(({ r }) => r),
    );
    const out: string[] = [];
    for (const { r, live } of found) {
      const id = before.get(r) ?? randomUUID();
      out.push(id);
      const row = {
        id,
        boutId,
        clipSha256: request.clip.sha256,
        trackSha256: request.trackSha256,
        index: r.index,
        kind: r.kind,
        fromMs: r.from,
        toMs: r.to,
        hand: who.hand,
        statureCm: who.statureCm,
        captureFps: request.captureFps ?? null,
        algorithm: ALGORITHM_VERSION,
        problems: analysis.problems,
        series: r.series,
        createdAt: request.at,
        removedAt: null,
      };
      await tx.insert(rep).values(row).onConflictDoUpdate({ target: rep.id, set: row });
      await keepComputed(tx, id, r);
      if (r.verdict) await tx.insert(verdict).values({ repId: id, ...verdictRow(r.verdict) });
      if (live)
        await tx.insert(verdict).values({
          repId: id,
          ...verdictRow({ ...summaryOf(live), actions: [], checks: [] }),
          by: "live",
        });
    }
    for (const id of before.values()) await correctAsBefore(tx, request.golferId, id);
    await recount(tx, boutId);
    return out;
  });
  return { ids, analysis };
}

/**
 * Which of these reps the bout has of this clip already, read at the same speed: theirs is the id,
 * and their verdicts of before go. Those of the clip that are not found again go
 * whole.
 */
async function knownReps(
  db: Db,
  { clip: { sha256 }, captureFps, told }: SaveRequest,
  boutId: string,
  reps: readonly AnalysedRep[],
): Promise<Map<AnalysedRep, string>> {
  const ofClip = and(eq(rep.boutId, boutId), eq(rep.clipSha256, sha256));
  const before = await db
    .select({ id: rep.id, from: rep.fromMs, to: rep.toMs, captureFps: rep.captureFps })
    .from(rep)
    .where(ofClip)
    .orderBy(asc(rep.index));
  // A clip that comes for the first time, as nearly all do.
  if (!before.length) return new Map();
  const pairs = nearestPairs(
    before.filter((b) => b.captureFps === (captureFps ?? null)),
    reps,
    (b, r) =>
      middleMs(r) >= b.from && middleMs(r) <= b.to
        ? Math.abs(middleMs(r) - (b.from + b.to) / 2)
        : Infinity,
  );
  const ids = pairs.map(([b]) => b.id);
  if (ids.length < before.length) await expectFewer({ rep: before.length - ids.length });
  await db.delete(rep).where(and(ofClip, notInArray(rep.id, ids)));
  // What was told on the spot was told, whatever is read afterwards.
  await db
    .delete(verdict)
    .where(and(inArray(verdict.repId, ids), told ? undefined : ne(verdict.by, "live")));
  // Out of the way of their own new places.
  await db
    .update(rep)
    .set({ index: sql`-1 - ${rep.index}` })
    .where(ofClip);
  return new Map(pairs.map(([b, r]) => [r, b.id]));
}

interface Chosen {
  drill: Drill;
  stage: Stage;
}

/** Takes the reps of a clip out of one of a golfer's bouts. */
export async function takeBackReps(
  db: Db,
  golferId: string,
  boutId: string,
  clipSha256: string,
): Promise<void> {
  const [own] = await db
    .select({ id: bout.id })
    .from(bout)
    .innerJoin(session, eq(bout.sessionId, session.id))
    .where(and(eq(bout.id, boutId), ownedBy(golferId)));
  if (!own) return;
  const which = and(eq(rep.boutId, boutId), eq(rep.clipSha256, clipSha256));
  await expectFewer({ rep: await db.$count(rep, which) });
  await db.transaction(async (tx) => {
    await tx.delete(rep).where(which);
    await recount(tx, boutId);
  });
}

/** What the reps are judged by; null where they are only measured. */
async function chosenBy(
  db: Db,
  { golferId, drill: id, stage, drillVersion: version }: SaveRequest,
): Promise<Chosen | null> {
  if (id === "none") return null;
  const own = await drillOf(db, golferId, id, version);
  return own ? { drill: own, stage: stageOf(own, stage) } : findStage(id, stage);
}

/**
 * The bout a rep belongs to: the golfer's latest one of that drill if it is still going on, else a
 * new one.
 */
async function findBout(db: Db, request: SaveRequest, chosen: Chosen | null): Promise<string> {
  const versionId = chosen ? await keepDrillVersion(db, chosen.drill) : null;
  const stageId = chosen?.stage.id ?? null;
  const named = request.boutId ? await namedBout(db, request, request.boutId, chosen) : null;
  if (named) return named;
  if (!request.boutId) {
    const [running] = await db
      .select({ id: bout.id })
      .from(bout)
      .where(
        and(
          ownedBy(request.golferId),
          isNull(bout.removedAt),
          eq(bout.byHand, false),
          versionId ? eq(bout.drillVersionId, versionId) : isNull(bout.drillVersionId),
          stageId ? eq(bout.stageId, stageId) : isNull(bout.stageId),
          gt(bout.startedAt, new Date(request.at.getTime() - BOUT_GAP)),
          lte(bout.startedAt, request.at),
        ),
      )
      .orderBy(desc(bout.startedAt))
      .limit(1);
    if (running) return running.id;
  }
  await keepShownWeek(db, request.golferId, request.at);
  const sessionId = await sessionAt(db, request.golferId, request.at, request.place ?? null);
  const id = request.boutId ?? randomUUID();
  const [made] = await db
    .insert(bout)
    .values({
      id,
      sessionId,
      drillVersionId: versionId,
      stageId,
      startedAt: request.at,
      golferId: request.golferId,
      drillId: chosen?.drill.id ?? null,
      day: localDay(request.at),
    })
    .onConflictDoNothing()
    .returning({ id: bout.id });
  // Another rep of the same bout came at the same time.
  if (!made) return (await namedBout(db, request, id, chosen))!;
  await reword(db, sessionId);
  return id;
}

/**
 * A bout that counts its own reps, if it is there; it takes those of its own golfer, drill and
 * stage only. @throws UserError
 */
async function namedBout(
  db: Db,
  { golferId }: SaveRequest,
  id: string,
  chosen: Chosen | null,
): Promise<string | null> {
  const own = await ownBout(db, golferId, id);
  if (
    own &&
    (own.drillId !== (chosen?.drill.id ?? null) || own.stageId !== (chosen?.stage.id ?? null))
  )
    throw new UserError("That bout is of another drill. Begin a new one.", 409);
  return own?.id ?? null;
}
