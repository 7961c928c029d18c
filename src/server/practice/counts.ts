import { and, countDistinct, eq, isNotNull, isNull, or, sum } from "drizzle-orm";
import type { Db } from "../db/open";
import { bout, clip, rep } from "../db/schema";
import { ownedBy } from "../golfers/whose";

/** How much a golfer has kept: reps and bouts that count, films, and what is in the bin. */
export async function countsOf(
  db: Db,
  golferId: string,
): Promise<{ reps: number; bouts: number; films: number; binned: number }> {
  const [counted] = await db
    .select({ bouts: countDistinct(bout.id), reps: sum(bout.done) })
    .from(bout)
    .where(and(ownedBy(golferId), isNull(bout.removedAt)));
  const [films] = await db
    .select({ n: countDistinct(clip.sha256) })
    .from(clip)
    .innerJoin(rep, eq(rep.clipSha256, clip.sha256))
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .where(and(ownedBy(golferId), eq(clip.kept, true)));
  const [gone] = await db
    .select({ n: countDistinct(rep.id) })
    .from(rep)
    .innerJoin(bout, eq(rep.boutId, bout.id))
    .where(and(ownedBy(golferId), or(isNotNull(rep.removedAt), isNotNull(bout.removedAt))));
  return {
    reps: Number(counted?.reps ?? 0),
    bouts: counted?.bouts ?? 0,
    films: films?.n ?? 0,
    binned: gone?.n ?? 0,
  };
}
