import { createHash, randomUUID } from "node:crypto";
import { isDeepStrictEqual } from "node:util";
import { and, asc, desc, eq, isNull } from "drizzle-orm";
import { DRILLS, type Drill } from "../../core/drills";
import { fileOf, ownDrillSchema as fromFile, type DrillFile } from "../../core/formats";
import { isId } from "../db/isId";
import type { Db } from "../db/open";
import { drillVersion, ownDrill } from "../db/schema";

/** An own drill's definition as it was kept (without its movement), made whole again. */
const whole = (kept: Drill): Drill =>
  kept.basedOn
    ? fromFile(fileOf(kept), kept.id, kept.version)
    : (DRILLS.find((d) => d.id === kept.id) ?? kept);

/**
 * A built-in drill, or one of a golfer's own: the version that is in use, or the one that is asked
 * for. Null where there is none, and where it is another golfer's.
 */
export async function drillOf(
  db: Db,
  golferId: string | null,
  id: string,
  version?: number,
): Promise<Drill | null> {
  const builtIn = DRILLS.find((d) => d.id === id);
  if (builtIn) return builtIn;
  if (golferId === null || !isId(id)) return null;
  const [row] = await db
    .select({ definition: drillVersion.definition })
    .from(ownDrill)
    .innerJoin(drillVersion, eq(drillVersion.drillId, ownDrill.id))
    .where(
      and(
        eq(ownDrill.id, id),
        eq(ownDrill.golferId, golferId),
        version === undefined ? undefined : eq(drillVersion.version, version),
      ),
    )
    .orderBy(desc(drillVersion.version))
    .limit(1);
  return row ? whole(row.definition) : null;
}

/** A golfer's own drills as they are in use, the oldest first; those in the bin left out. */
export async function ownDrills(db: Db, golferId: string): Promise<Drill[]> {
  const rows = await db
    .select({ definition: drillVersion.definition })
    .from(ownDrill)
    .innerJoin(drillVersion, eq(drillVersion.drillId, ownDrill.id))
    .where(and(eq(ownDrill.golferId, golferId), isNull(ownDrill.removedAt)))
    .orderBy(asc(ownDrill.createdAt), asc(drillVersion.version));
  return [...new Map(rows.map((r) => [r.definition.id, r.definition])).values()].map(whole);
}

export interface Version {
  version: number;
  at: Date;
  drill: Drill;
}

/** Every version of an own drill, the latest first. */
export async function versionsOf(db: Db, id: string): Promise<Version[]> {
  const rows = await db
    .select()
    .from(drillVersion)
    .where(eq(drillVersion.drillId, id))
    .orderBy(desc(drillVersion.version));
  return rows.map((r) => ({ version: r.version, at: r.createdAt, drill: whole(r.definition) }));
}

/** Whether an own drill is this golfer's. */
export async function isOwn(db: Db, golferId: string, id: string): Promise<boolean> {
  return (
    (
      await db
        .select({ id: ownDrill.id })
        .from(ownDrill)
        .where(and(eq(ownDrill.id, id), eq(ownDrill.golferId, golferId)))
    ).length > 0
  );
}

/** Makes a file a golfer's own drill: its first version. Answers its id. */
export async function addOwn(db: Db, golferId: string, file: DrillFile): Promise<string> {
  const id = `own-${randomUUID().slice(0, 8)}`;
  await db.transaction(async (tx) => {
    await tx.insert(ownDrill).values({ id, golferId, basedOn: file.basedOn });
    await keepDrillVersion(tx, fromFile(file, id, 1));
  });
  return id;
}

/**
 * Keeps a changed drill as its next version; the one before stays. Answers the version in use: the
 * old one where nothing changed.
 */
export async function keepVersion(db: Db, id: string, file: DrillFile): Promise<number> {
  return db.transaction(async (tx) => {
    const [last] = await tx
      .select()
      .from(drillVersion)
      .where(eq(drillVersion.drillId, id))
      .orderBy(desc(drillVersion.version))
      .limit(1);
    if (!last) throw new RangeError("there is no such drill");
    // The database keeps the fields of an object in an order of its own.
    if (isDeepStrictEqual(fileOf(last.definition), file)) return last.version;
    await keepDrillVersion(tx, fromFile(file, id, last.version + 1));
    return last.version + 1;
  });
}

/** To the bin, or back out of it; reps keep what they were judged by. */
export async function setRemoved(db: Db, id: string, removed: boolean): Promise<void> {
  await db
    .update(ownDrill)
    .set({ removedAt: removed ? new Date() : null })
    .where(eq(ownDrill.id, id));
}

/** The row of a drill as it stands, made where it is not there yet. */
export async function keepDrillVersion(db: Db, drill: Drill): Promise<string> {
  const id = versionId(drill.id, drill.version);
  await db
    .insert(drillVersion)
    .values({ id, drillId: drill.id, version: drill.version, definition: drill })
    .onConflictDoNothing();
  return id;
}

const versionId = (drillId: string, version: number): string =>
  createHash("sha256").update(`${drillId}@${version}`).digest("hex").slice(0, 24);
