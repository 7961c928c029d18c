import { and, eq } from "drizzle-orm";
import type { LaidInsoles } from "../../core/practice";
import type { Db } from "../db/open";
import { bout, insoles, rep } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { NoSuchRepError } from "./correct";

/**
 * Keeps what insoles measured of a rep, in the place of what was there; null takes it away.
 *
 * @throws NoSuchRepError when the golfer has no such rep
 */
export async function keepInsoles(
  db: Db,
  golferId: string,
  repId: string,
  laid: LaidInsoles | null,
): Promise<void> {
  await db.transaction(async (tx) => {
    const [own] = await tx
      .select({ id: rep.id })
      .from(rep)
      .innerJoin(bout, eq(rep.boutId, bout.id))
      .where(and(eq(rep.id, repId), ownedBy(golferId)));
    if (!own) throw new NoSuchRepError("there is no such rep");
    if (laid)
      await tx
        .insert(insoles)
        .values({ repId, ...laid })
        .onConflictDoUpdate({ target: insoles.repId, set: laid });
    else await tx.delete(insoles).where(eq(insoles.repId, repId));
  });
}

/** What insoles measured of a rep; null where none were worn. */
export async function insolesOf(db: Db, repId: string): Promise<LaidInsoles | null> {
  const [row] = await db
    .select({
      fileName: insoles.fileName,
      offsetMs: insoles.offsetMs,
      r: insoles.r,
      rows: insoles.rows,
    })
    .from(insoles)
    .where(eq(insoles.repId, repId));
  return row ?? null;
}
