import { and, eq } from "drizzle-orm";
import type { Db } from "../db/open";
import { bout } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { reword } from "../practice/recount";

/** A note that was written beside a bout where the computer could not be reached. */
export interface BroughtNote {
  boutId: string;
  note: string;
}

/**
 * Keeps notes that a phone brings home. Where another one stands there by now, both are kept, one
 * below the other; one that is brought twice stands there once.
 *
 * @returns the bouts whose notes are kept now; of those that are not here yet the notes wait
 */
export async function bringNotes(
  db: Db,
  golferId: string,
  notes: readonly BroughtNote[],
): Promise<string[]> {
  const kept: string[] = [];
  for (const { boutId, note } of notes)
    await db.transaction(async (tx) => {
      const own = and(eq(bout.id, boutId), ownedBy(golferId));
      const [row] = await tx
        .select({ note: bout.note, sessionId: bout.sessionId })
        .from(bout)
        .where(own)
        .for("update");
      if (!row) return;
      kept.push(boutId);
      if (row.note?.split("\n\n").includes(note)) return;
      await tx
        .update(bout)
        .set({ note: row.note ? `${row.note}\n\n${note}` : note })
        .where(own);
      await reword(tx, row.sessionId);
    });
  return kept;
}
