import { createHash } from "node:crypto";
import { mkdir, rename } from "node:fs/promises";
import { setImmediate } from "node:timers/promises";
import { eq } from "drizzle-orm";
import { dataDir, under } from "../dataDir";
import type { Db } from "../db/open";
import { clip } from "../db/schema";
import { log } from "../log";
import { blobPath, readBlob, sweepBlobs, type BlobKind } from "./blobs";

/**
 * Files that were held against their hashes since the program started; known to every part of the
 * server.
 */
const holder = globalThis as { __kingfisherChecked?: Set<string> };
const checked = (): Set<string> => (holder.__kingfisherChecked ??= new Set());

/** A file is what its name says. */
export async function isWhole(kind: BlobKind, sha256: string): Promise<boolean> {
  const hash = createHash("sha256");
  try {
    for await (const chunk of readBlob(kind, sha256) as AsyncIterable<Buffer>) hash.update(chunk);
  } catch {
    return false;
  }
  return hash.digest("hex") === sha256;
}

/**
 * Puts a damaged film or track aside, so that the right one can come in its place; a film is not
 * kept any more until it does.
 */
export async function putAside(db: Db, kind: BlobKind, sha256: string): Promise<void> {
  const aside = under(dataDir(), "damaged");
  await mkdir(aside, { recursive: true });
  await rename(blobPath(kind, sha256), under(aside, `${sha256}-${Date.now()}`)).catch(
    () => undefined,
  );
  if (kind === "clips") await db.update(clip).set({ kept: false }).where(eq(clip.sha256, sha256));
}

/**
 * Holds films and tracks against their hashes, each once a start, and puts aside those that are
 * damaged.
 *
 * @param stop asked before each file
 * @returns those that were damaged
 */
export async function checkBlobs(db: Db, stop: () => boolean = () => false): Promise<string[]> {
  const damaged: string[] = [];
  for (const kind of ["clips", "tracks"] as const)
    for (const sha256 of await sweepBlobs(kind, false)) {
      if (checked().has(sha256)) continue;
      if (stop()) return damaged;
      if (!(await isWhole(kind, sha256))) {
        await putAside(db, kind, sha256);
        log().error({ kind, sha256 }, "a file was damaged and is put aside in damaged/");
        damaged.push(sha256);
      }
      checked().add(sha256);
      await setImmediate();
    }
  return damaged;
}
