import { rm } from "node:fs/promises";
import { inArray } from "drizzle-orm";
import type { Db } from "../db/open";
import { rep } from "../db/schema";
import { blobPath, type BlobKind } from "./blobs";

/** A film or a track. */
export interface FileRef {
  kind: BlobKind;
  sha256: string;
}

/** Removes those of some films and tracks that no rep speaks of. */
export async function removeUnused(db: Db, files: readonly FileRef[]): Promise<void> {
  for (const [kind, column] of [
    ["clips", rep.clipSha256],
    ["tracks", rep.trackSha256],
  ] as const) {
    const names = files.filter((f) => f.kind === kind).map((f) => f.sha256);
    if (!names.length) continue;
    const used = new Set(
      (await db.select({ sha256: column }).from(rep).where(inArray(column, names))).map(
        (r) => r.sha256,
      ),
    );
    for (const sha256 of names)
      if (!used.has(sha256)) await rm(blobPath(kind, sha256), { force: true });
  }
}
