import { and, eq, type SQL } from "drizzle-orm";
import type { BlobKind } from "../blobs/blobs";
import { isId } from "../db/isId";
import type { Db } from "../db/open";
import { bout, clip, golfer, rep } from "../db/schema";
import { UserError } from "../userError";

/**
 * What is a golfer's own: a bout is whose it says, a rep whose its bout is. Every query of what
 * golfers did asks this.
 */
export const ownedBy = (golferId: string): SQL => eq(bout.golferId, golferId);

/**
 * A bout by its id, if it is the golfer's; null where there is none. @throws UserError when it is
 * somebody else's
 */
export async function ownBout(
  db: Db,
  golferId: string,
  id: string,
): Promise<typeof bout.$inferSelect | null> {
  if (!isId(id)) return null;
  const [row] = await db.select().from(bout).where(eq(bout.id, id));
  if (row && row.golferId !== golferId)
    throw new UserError("That bout is another golfer’s. Begin a new one.", 409);
  return row ?? null;
}

/**
 * A film or a track of which a golfer has a rep, with how large a film is that was kept; null where
 * they have none.
 */
export async function ownBlob(
  db: Db,
  golferId: string,
  kind: BlobKind,
  sha256: string,
): Promise<{ bytes: number | null } | null> {
  const column = kind === "clips" ? rep.clipSha256 : rep.trackSha256;
  const [row] = await db
    .select({ bytes: clip.bytes })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .innerJoin(clip, eq(clip.sha256, rep.clipSha256))
    .where(and(eq(column, sha256), ownedBy(golferId)))
    .limit(1);
  return row ? { bytes: kind === "clips" ? row.bytes : null } : null;
}

/**
 * A golfer's row, which nobody else changes until the transaction ends; null where they are gone.
 */
export async function lockGolfer(tx: Db, id: string): Promise<typeof golfer.$inferSelect | null> {
  const [row] = await tx.select().from(golfer).where(eq(golfer.id, id)).for("no key update");
  return row ?? null;
}
