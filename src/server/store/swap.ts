import { existsSync, readFileSync } from "node:fs";
import { mkdir, rename, rm } from "node:fs/promises";
import { under } from "../dataDir";
import { syncFolder, writeDurably } from "./durable";
import { storePaths } from "./paths";
import { standingId, type AboutStanding } from "./standing";

/**
 * Puts `db.next` in the place of `db`, which stands in `before/` afterwards. The database must be
 * closed. It is written down first (`swap.json`), so a process that is killed in between is
 * finished, or taken back, at the next start.
 *
 * @returns the name under which the old one stands
 */
export async function swapIn(dir: string, about: AboutStanding): Promise<string> {
  const paths = storePaths(dir);
  const id = standingId(about);
  const beside = under(paths.before, id);
  await mkdir(beside, { recursive: true });
  await writeDurably(under(beside, "about.json"), `${JSON.stringify(about)}\n`);
  await writeDurably(paths.swap, `${JSON.stringify({ id })}\n`);
  if (existsSync(paths.db)) await rename(paths.db, under(beside, "db"));
  await rename(paths.next, paths.db);
  await syncFolder(dir);
  await rm(paths.swap, { force: true });
  return id;
}

/**
 * Finishes a swap that was broken off, or takes it back; removes a database that was not finished.
 * Before anything is opened.
 */
export async function finishSwap(dir: string): Promise<void> {
  const paths = storePaths(dir);
  const id = pending(paths.swap);
  if (id !== null && existsSync(paths.next)) {
    const beside = under(paths.before, id);
    if (existsSync(under(beside, "db")) && !existsSync(paths.db))
      await rename(paths.next, paths.db);
    else if (!existsSync(under(beside, "db"))) await rm(beside, { recursive: true, force: true });
  }
  await rm(paths.next, { recursive: true, force: true });
  await rm(paths.swap, { force: true });
}

function pending(file: string): string | null {
  try {
    const { id } = JSON.parse(readFileSync(file, "utf8")) as { id: unknown };
    return typeof id === "string" && /^[\w-]{1,60}$/.test(id) ? id : null;
  } catch {
    return null;
  }
}
