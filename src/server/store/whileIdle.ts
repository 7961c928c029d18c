import { readdirSync, statSync } from "node:fs";
import { checkBlobs } from "../blobs/checkBlobs";
import { under } from "../dataDir";
import type { Opened } from "../db/open";
import { log } from "../log";
import { countRows, writeCensus } from "./census";
import { listCopies, makeCopy } from "./copies";
import { storePaths } from "./paths";

/**
 * Looked at so often; a program that was not used for so long is idle; no more copies than one in
 * so long, ms.
 */
const EVERY_MS = 30_000;
const IDLE_MS = 120_000;
const COPY_MS = 3_600_000;

/**
 * What the program does for its data while nobody uses it: a copy of the database, opened and read
 * whole, when anything was written since the last one; and films and tracks held against their
 * hashes, some at a time.
 *
 * @returns ends it
 */
export function workWhileIdle(store: Opened): () => void {
  let busy = false;
  let copiedAt = listCopies(store.dir)[0]?.at.getTime() ?? 0;
  const idle = () => store.own !== null && Date.now() - store.own.usedAt >= IDLE_MS;
  const timer = setInterval(() => {
    if (busy || !idle()) return;
    busy = true;
    void (async () => {
      if (Date.now() - copiedAt >= COPY_MS && writtenAt(store.dir) > copiedAt) {
        const copy = await makeCopy(store.dir, store.own!);
        copiedAt = Date.now();
        await writeCensus(store.dir, await countRows(store.db));
        log().info({ rows: copy.rows, bytes: copy.bytes }, "copied the database");
      }
      await checkBlobs(store.db, () => !idle());
    })()
      .catch((error: unknown) => {
        copiedAt = Date.now();
        log().error({ err: error }, "no copy of the database was made");
      })
      .finally(() => (busy = false));
  }, EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}

/** When the database last wrote, by its log of writes. */
function writtenAt(dir: string): number {
  const log = under(storePaths(dir).db, "pg_wal");
  try {
    return Math.max(...readdirSync(log).map((name) => statSync(under(log, name)).mtimeMs));
  } catch {
    return 0;
  }
}
