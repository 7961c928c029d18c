import { and, eq } from "drizzle-orm";
import { z } from "zod";
import { CANT_SHOW, isLine, isShown } from "../../core/formats";
import { flight } from "../../core/practice";
import type { Db } from "../db/open";
import { bout, session } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { reword } from "./recount";

/** A line that may be left out: nothing where only blanks are written. */
export const line = (most: number) =>
  z
    .string()
    .trim()
    .max(most)
    .refine(isShown, CANT_SHOW)
    .transform((s) => s || null)
    .nullable();

/** What a golfer writes beside a bout; all of it may be left out. */
export const boutRow = z.object({
  place: line(60),
  weather: line(60),
  sessionNote: line(2000),
  club: line(40),
  ball: line(40),
  note: line(2000),
  tags: z.array(z.string().trim().min(1).max(30).refine(isLine, CANT_SHOW)).max(12),
  feltShare: z.number().min(0).max(100).nullable(),
  touched: z.number().int().min(0).max(500).nullable(),
  flight: flight.nullable(),
});
export type BoutRow = z.infer<typeof boutRow>;

/** What is written beside one of a golfer's bouts; null when there is no such bout. */
export async function findBoutRow(db: Db, golferId: string, id: string): Promise<BoutRow | null> {
  const [row] = await db
    .select({ bout, session })
    .from(bout)
    .innerJoin(session, eq(bout.sessionId, session.id))
    .where(and(eq(bout.id, id), ownedBy(golferId)));
  if (!row) return null;
  const { club, ball, note, tags, feltShare, touched, flight: ballFlight } = row.bout;
  return {
    place: row.session.place,
    weather: row.session.weather,
    sessionNote: row.session.note,
    club,
    ball,
    note,
    tags,
    feltShare,
    touched,
    flight: ballFlight,
  };
}

/**
 * Keeps it; place, weather and the session's note are its session's. @throws RangeError when there
 * is no such bout
 */
export async function keepBoutRow(
  db: Db,
  golferId: string,
  id: string,
  { place, weather, sessionNote, ...own }: BoutRow,
): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx
      .update(bout)
      .set(own)
      .where(and(eq(bout.id, id), ownedBy(golferId)))
      .returning({ sessionId: bout.sessionId });
    if (!row) throw new RangeError("there is no such bout");
    await tx
      .update(session)
      .set({ place, weather, note: sessionNote })
      .where(eq(session.id, row.sessionId));
    await reword(tx, row.sessionId);
  });
}
