import { and, eq, isNotNull, lt } from "drizzle-orm";
import type { Db } from "../db/open";
import { bout, rep } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { removeBinnedForGood } from "./forGood";
import { recount } from "./recount";

/** What is in the bin stays there for so many days. */
export const BIN_DAYS = 30;

/**
 * Puts a rep of a golfer's into the bin, or takes it out again. @throws RangeError when there is
 * none
 */
export async function binRep(db: Db, golferId: string, id: string, gone: boolean): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx
      .select({ boutId: rep.boutId })
      .from(rep)
      .innerJoin(bout, eq(rep.boutId, bout.id))
      .where(and(eq(rep.id, id), ownedBy(golferId)));
    if (!row) throw new RangeError("there is no such rep");
    await tx
      .update(rep)
      .set({ removedAt: gone ? new Date() : null })
      .where(eq(rep.id, id));
    await recount(tx, row.boutId);
  });
}

/**
 * Puts a bout of a golfer's into the bin, or takes it out again. @throws RangeError when there is
 * none
 */
export async function binBout(db: Db, golferId: string, id: string, gone: boolean): Promise<void> {
  const rows = await db
    .update(bout)
    .set({ removedAt: gone ? new Date() : null })
    .where(and(eq(bout.id, id), ownedBy(golferId)))
    .returning({ id: bout.id });
  if (!rows.length) throw new RangeError("there is no such bout");
}

/**
 * Removes for good what has been in the bin for its time, with the films and tracks that nothing
 * else speaks of.
 */
export async function emptyBin(db: Db, now = new Date()): Promise<void> {
  const before = new Date(now.getTime() - BIN_DAYS * 86_400_000);
  const bouts = await db
    .select({ id: bout.id })
    .from(bout)
    .where(and(isNotNull(bout.removedAt), lt(bout.removedAt, before)));
  const reps = await db
    .select({ id: rep.id })
    .from(rep)
    .where(and(isNotNull(rep.removedAt), lt(rep.removedAt, before)));
  if (bouts.length || reps.length)
    await removeBinnedForGood(
      db,
      bouts.map((b) => b.id),
      reps.map((r) => r.id),
    );
}
