import { mkdir, rename } from "node:fs/promises";
import path from "node:path";
import { eq, inArray } from "drizzle-orm";
import { dataDir, under } from "../dataDir";
import type { Db } from "../db/open";
import { clip, rep } from "../db/schema";
import { listStanding } from "../store/standing";
import { blobPath, sweepBlobs } from "./blobs";

/**
 * Brings files and rows together after a crash: a film whose file is gone is marked as not kept; a
 * file that no row speaks of (its upload was never acknowledged) is moved to `lost/`. Reps are
 * never removed: their numbers stand without a film.
 *
 * Files are left where they are while a database stands beside, which may be the one that they
 * belong to, and where the present one holds no reps at all: then it is rather the database that is
 * wrong.
 */
export async function healBlobs(
  db: Db,
): Promise<{ lostFilms: number; orphans: number; unknown: number }> {
  const clips = new Set(await sweepBlobs("clips"));
  const tracks = new Set(await sweepBlobs("tracks"));
  const clipRows = await db.select({ sha256: clip.sha256, kept: clip.kept }).from(clip);
  const lost = clipRows.filter((r) => r.kept && !clips.has(r.sha256)).map((r) => r.sha256);
  if (lost.length) await db.update(clip).set({ kept: false }).where(inArray(clip.sha256, lost));
  const back = clipRows.filter((r) => !r.kept && clips.has(r.sha256)).map((r) => r.sha256);
  for (const sha256 of back)
    await db.update(clip).set({ kept: true }).where(eq(clip.sha256, sha256));
  const known = new Set(clipRows.map((r) => r.sha256));
  const usedTracks = new Set(
    (await db.select({ sha256: rep.trackSha256 }).from(rep)).map((r) => r.sha256),
  );
  const orphans = [
    ...[...clips].filter((c) => !known.has(c)).map((c) => blobPath("clips", c)),
    ...[...tracks].filter((t) => !usedTracks.has(t)).map((t) => blobPath("tracks", t)),
  ];
  if (!usedTracks.size || listStanding(dataDir()).length)
    return { lostFilms: lost.length, orphans: 0, unknown: orphans.length };
  const aside = under(dataDir(), "lost");
  if (orphans.length) await mkdir(aside, { recursive: true });
  await Promise.all(orphans.map((file) => rename(file, under(aside, path.basename(file)))));
  return { lostFilms: lost.length, orphans: orphans.length, unknown: 0 };
}
