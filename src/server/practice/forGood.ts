import { rm } from "node:fs/promises";
import { eq, inArray, or, sql } from "drizzle-orm";
import { blobPath } from "../blobs/blobs";
import type { Db } from "../db/open";
import { bout, drillVersion, golfer, ownDrill, plan, rep, session } from "../db/schema";

/** Removes bouts with their reps, and single reps, so that nothing of them is left: rows, films, tracks, and what the database had written before. */
export async function removeForGood(db: Db, boutIds: readonly string[], repIds: readonly string[]): Promise<void> {
  const which = or(...(boutIds.length ? [inArray(rep.boutId, [...boutIds])] : []), ...(repIds.length ? [inArray(rep.id, [...repIds])] : []));
  if (!which) return;
  const gone = await db.select({ clip: rep.clipSha256, track: rep.trackSha256 }).from(rep).where(which);
  await db.transaction(async (tx) => {
    await tx.delete(rep).where(which);
    if (boutIds.length) await tx.delete(bout).where(inArray(bout.id, [...boutIds]));
    await tx.execute(sql`delete from session where not exists (select 1 from bout where bout.session_id = session.id)`);
    await tx.execute(sql`delete from clip where not exists (select 1 from rep where rep.clip_sha256 = clip.sha256)`);
  });
  await removeFiles(db, gone);
}

/** Removes a golfer with all that is theirs. */
export async function removeGolfer(db: Db, id: string): Promise<void> {
  const gone = await db.select({ clip: rep.clipSha256, track: rep.trackSha256 }).from(rep).innerJoin(bout, eq(rep.boutId, bout.id)).where(eq(bout.golferId, id));
  await db.transaction(async (tx) => {
    await tx.execute(sql`delete from rep where bout_id in (select id from bout where golfer_id = ${id})`);
    await tx.delete(bout).where(eq(bout.golferId, id));
    await tx.delete(session).where(eq(session.golferId, id));
    await tx.delete(plan).where(eq(plan.golferId, id));
    const own = await tx.delete(ownDrill).where(eq(ownDrill.golferId, id)).returning({ id: ownDrill.id });
    if (own.length) await tx.delete(drillVersion).where(inArray(drillVersion.drillId, own.map((d) => d.id)));
    await tx.delete(golfer).where(eq(golfer.id, id));
    await tx.execute(sql`delete from clip where not exists (select 1 from rep where rep.clip_sha256 = clip.sha256)`);
  });
  await removeFiles(db, gone);
}

/** Removes films and tracks that no rep speaks of any more, and what the database's own files still hold of removed rows. */
async function removeFiles(db: Db, gone: readonly { clip: string; track: string }[]): Promise<void> {
  const used = await db.select({ clip: rep.clipSha256, track: rep.trackSha256 }).from(rep);
  const [clips, tracks] = [new Set(used.map((u) => u.clip)), new Set(used.map((u) => u.track))];
  for (const g of gone) {
    if (!clips.has(g.clip)) await rm(blobPath("clips", g.clip), { force: true });
    if (!tracks.has(g.track)) await rm(blobPath("tracks", g.track), { force: true });
  }
  await db.execute(sql`vacuum full`);
}
