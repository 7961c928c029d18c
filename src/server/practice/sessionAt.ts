import { randomUUID } from "node:crypto";
import { and, asc, eq, gte, isNull, lte, sql } from "drizzle-orm";
import type { Db } from "../db/open";
import { bout, session } from "../db/schema";
import { ownedBy } from "../golfers/whose";

/** Bouts farther apart than this are of two sessions, ms. */
const SESSION_GAP = 3 * 3600_000;

/**
 * The session that something done at a time belongs to: that of the golfer's nearest bout, be it an
 * earlier or (where reps come late) a later one; a new one where none is near. In the transaction
 * that keeps what was done.
 */
export async function sessionAt(
  tx: Db,
  golferId: string,
  at: Date,
  place: string | null,
): Promise<string> {
  const from = (ms: number) => new Date(at.getTime() + ms);
  const apart = sql`abs(extract(epoch from ${bout.startedAt} - ${at.toISOString()}::timestamptz))`;
  const [near] = await tx
    .select({ id: session.id, startedAt: session.startedAt })
    .from(bout)
    .innerJoin(session, eq(bout.sessionId, session.id))
    .where(
      and(
        ownedBy(golferId),
        isNull(bout.removedAt),
        gte(bout.startedAt, from(-SESSION_GAP)),
        lte(bout.startedAt, from(SESSION_GAP)),
      ),
    )
    .orderBy(asc(apart))
    .limit(1);
  if (near) {
    if (near.startedAt > at)
      await tx.update(session).set({ startedAt: at }).where(eq(session.id, near.id));
    return near.id;
  }
  const id = randomUUID();
  await tx.insert(session).values({ id, golferId, startedAt: at, place });
  return id;
}
