import { and, desc, eq, isNotNull, isNull } from "drizzle-orm";
import type { Db } from "../db/open";
import { bout, rep } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { BIN_DAYS } from "./bin";
import { drillNames } from "./log";

export interface Binned {
  what: "rep" | "bout";
  id: string;
  drill: string | null;
  /** When it was filmed. */
  at: Date;
  /** Until it is gone. */
  days: number;
}

/**
 * What a golfer has in the bin, the latest first; reps of a bout that is there as a whole are not
 * named one by one.
 */
export async function binned(db: Db, golferId: string, now = new Date()): Promise<Binned[]> {
  const [names, bouts, reps] = await Promise.all([
    drillNames(db),
    db
      .select({ id: bout.id, drillId: bout.drillId, at: bout.startedAt, gone: bout.removedAt })
      .from(bout)
      .where(and(ownedBy(golferId), isNotNull(bout.removedAt)))
      .orderBy(desc(bout.removedAt)),
    db
      .select({ id: rep.id, drillId: bout.drillId, at: rep.createdAt, gone: rep.removedAt })
      .from(rep)
      .innerJoin(bout, eq(rep.boutId, bout.id))
      .where(and(ownedBy(golferId), isNotNull(rep.removedAt), isNull(bout.removedAt)))
      .orderBy(desc(rep.removedAt)),
  ]);
  const of =
    (what: Binned["what"]) =>
    (r: (typeof bouts)[number]): Binned & { gone: Date } => ({
      what,
      id: r.id,
      drill: r.drillId === null ? null : (names.get(r.drillId)?.name ?? null),
      at: r.at,
      gone: r.gone!,
      days: Math.max(0, Math.ceil(BIN_DAYS - (now.getTime() - r.gone!.getTime()) / 86_400_000)),
    });
  return [...bouts.map(of("bout")), ...reps.map(of("rep"))]
    .sort((a, b) => b.gone.getTime() - a.gone.getTime())
    .map(({ gone: _, ...b }) => b);
}
