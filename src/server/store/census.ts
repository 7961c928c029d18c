import { readFileSync } from "node:fs";
import { Mutex } from "async-mutex";
import { sql } from "drizzle-orm";
import { z } from "zod";
import { dataDir } from "../dataDir";
import type { Db } from "../db/db";
import { rowsOf } from "../db/rowsOf";
import { writeDurably } from "./durable";
import { storePaths } from "./paths";

const counts = z.object({
  golfer: z.number().int().nonnegative(),
  bout: z.number().int().nonnegative(),
  rep: z.number().int().nonnegative(),
});
/** How many golfers, bouts and reps a database holds. */
export type RowCounts = z.infer<typeof counts>;

const census = z.object({ at: z.iso.datetime(), rows: counts });

/**
 * The census: the least that the database must hold. A page that is lost or a status file that is
 * damaged hides rows without any error, so the count is kept beside the database. It is raised when
 * the database is known to be whole, and lowered before rows are removed on purpose; in between
 * rows only come, so a database with fewer has lost some.
 */
export function readCensus(dir: string): z.infer<typeof census> | null {
  try {
    return census.parse(JSON.parse(readFileSync(storePaths(dir).census, "utf8")));
  } catch {
    return null;
  }
}

export const writeCensus = (dir: string, rows: RowCounts): Promise<void> =>
  writeDurably(
    storePaths(dir).census,
    `${JSON.stringify({ at: new Date().toISOString(), rows })}\n`,
  );

export async function countRows(db: Db): Promise<RowCounts> {
  const [row] = rowsOf<RowCounts>(
    await db.execute(
      sql`select (select count(*)::int from golfer) as golfer, (select count(*)::int from bout) as bout, (select count(*)::int from rep) as rep`,
    ),
  );
  return row!;
}

/** What of the census is missing, in words; null where nothing is. */
export function missing(dir: string, now: RowCounts): string | null {
  const then = readCensus(dir);
  if (!then) return null;
  const less = (["golfer", "bout", "rep"] as const).filter((name) => now[name] < then.rows[name]);
  return less.length
    ? `it holds ${less.map((name) => `${now[name]} ${name}s`).join(", ")}, and held ` +
        `${less.map((name) => then.rows[name]).join(", ")} on ${then.at.slice(0, 10)}`
    : null;
}

const changes = new Mutex();

/** Lowers the census by rows that are about to be removed on purpose: called before they are. */
export function expectFewer(fewer: Partial<RowCounts>): Promise<void> {
  const dir = dataDir();
  return changes.runExclusive(async () => {
    const then = readCensus(dir);
    if (!then) return;
    const { golfer, bout, rep } = then.rows;
    await writeCensus(dir, {
      golfer: Math.max(0, golfer - (fewer.golfer ?? 0)),
      bout: Math.max(0, bout - (fewer.bout ?? 0)),
      rep: Math.max(0, rep - (fewer.rep ?? 0)),
    });
  });
}
