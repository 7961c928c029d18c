import { eq, inArray, ne, or, sql, type SQL } from "drizzle-orm";
import { removeUnused } from "../blobs/unused";
import type { Db } from "../db/open";
import { bout, drillVersion, golfer, ownDrill, plan, rep, session } from "../db/schema";
import { expectFewer } from "../store/census";
import { replaceDatabase } from "../store/replace";

/**
 * Removes bouts with their reps, and single reps, so that nothing of them is left: rows, films,
 * tracks, and what the database had written before.
 */
export async function removeBinnedForGood(
  db: Db,
  boutIds: readonly string[],
  repIds: readonly string[],
): Promise<void> {
  const which = or(
    ...(boutIds.length ? [inArray(rep.boutId, [...boutIds])] : []),
    ...(repIds.length ? [inArray(rep.id, [...repIds])] : []),
  );
  if (!which) return;
  const gone = await db
    .select({ clip: rep.clipSha256, track: rep.trackSha256 })
    .from(rep)
    .where(which);
  await expectFewer({ rep: gone.length, bout: boutIds.length });
  await db.transaction(async (tx) => {
    await tx.delete(rep).where(which);
    if (boutIds.length) await tx.delete(bout).where(inArray(bout.id, [...boutIds]));
    await tx.execute(
      sql`delete from session where not exists (select 1 from bout where bout.session_id = session.id)`,
    );
    await tx.execute(
      sql`delete from clip where not exists (select 1 from rep where rep.clip_sha256 = clip.sha256)`,
    );
  });
  await removeUnused(
    db,
    gone.flatMap(({ clip: film, track }) => [
      { kind: "clips" as const, sha256: film },
      { kind: "tracks" as const, sha256: track },
    ]),
  );
  await vacuum(db);
}

/**
 * Removes a golfer with all that is theirs. The database as it was stands beside with their films,
 * until it is said that all is well.
 */
export async function removeGolfer(db: Db, id: string): Promise<void> {
  const [who] = await db.select({ name: golfer.name }).from(golfer).where(eq(golfer.id, id));
  if (!who) return;
  const used = (which: SQL) =>
    db
      .selectDistinct({ clips: rep.clipSha256, tracks: rep.trackSha256 })
      .from(rep)
      .innerJoin(bout, eq(rep.boutId, bout.id))
      .where(which);
  const [gone, stays] = await Promise.all([
    used(eq(bout.golferId, id)),
    used(ne(bout.golferId, id)),
  ]);
  const files = (["clips", "tracks"] as const).flatMap((kind) => {
    const others = new Set(stays.map((s) => s[kind]));
    return [...new Set(gone.map((g) => g[kind]))]
      .filter((sha256) => !others.has(sha256))
      .map((sha256) => ({ kind, sha256 }));
  });
  await replaceDatabase(
    { act: "remove", words: `${who.name} was removed.`.slice(0, 300), files },
    "copy",
    async (next) => {
      await next.transaction(async (tx) => {
        await tx.execute(
          sql`delete from rep where bout_id in (select id from bout where golfer_id = ${id})`,
        );
        await tx.delete(bout).where(eq(bout.golferId, id));
        await tx.delete(session).where(eq(session.golferId, id));
        await tx.delete(plan).where(eq(plan.golferId, id));
        const own = await tx
          .delete(ownDrill)
          .where(eq(ownDrill.golferId, id))
          .returning({ id: ownDrill.id });
        if (own.length)
          await tx.delete(drillVersion).where(
            inArray(
              drillVersion.drillId,
              own.map((d) => d.id),
            ),
          );
        await tx.delete(golfer).where(eq(golfer.id, id));
        await tx.execute(
          sql`delete from clip where not exists (select 1 from rep where rep.clip_sha256 = clip.sha256)`,
        );
      });
    },
  );
  await vacuum(db);
}

/** The database's own files hold what was removed until then. */
const vacuum = (db: Db) => db.execute(sql`vacuum full`);
