import { existsSync } from "node:fs";
import { cp, rename, rm } from "node:fs/promises";
import type { PGlite } from "@electric-sql/pglite";
import { Mutex } from "async-mutex";
import { sql } from "drizzle-orm";
import { dataDir } from "../dataDir";
import { countRows, missing, readCensus, writeCensus } from "../store/census";
import { DamagedStoreError, hasBlobs, lookOver } from "../store/damage";
import { storePaths } from "../store/paths";
import { finishSwap, swapIn } from "../store/swap";
import type { Db } from "./db";
import { DataInUseError, lockData } from "./lock";
import { makeDatabase } from "./makeDatabase";
import { drizzleOf, migrated, migrationsFolder, openPglite } from "./migrated";
import { OneDatabase } from "./oneDatabase";
import { rowsOf } from "./rowsOf";
import * as schema from "./schema";

export type { Db };

/** The store of this process. */
export interface Opened {
  db: Db;
  dir: string;
  /** The embedded database; null where the rows are on a PostgreSQL server. */
  own: OneDatabase | null;
  /** The database is replaced as a whole by one at a time. */
  replacing: Mutex;
  close(): Promise<void>;
}

type OpenedRows = Omit<Opened, "replacing">;

const holder = globalThis as { __kingfisherDb?: Promise<Opened> };

/**
 * The database, opened and migrated once a process: PGlite in the data directory, or the PostgreSQL
 * server that DATABASE_URL names. Either way the data directory is this process's alone.
 *
 * @throws DataInUseError when another process has the directory, or the server's database
 * @throws DamagedStoreError when the database is damaged, gone, or not the one that belongs to the
 * films
 */
export const database = async (): Promise<Db> => (await openedStore()).db;

/** The store behind `database`. @throws as it */
export async function openedStore(): Promise<Opened> {
  holder.__kingfisherDb ??= open().catch((error: unknown) => {
    delete holder.__kingfisherDb;
    throw error;
  });
  return holder.__kingfisherDb;
}

/** Closes what `database` opened and gives the directory back; for scripts and tests. */
export async function closeDatabase(): Promise<void> {
  const opened = holder.__kingfisherDb;
  delete holder.__kingfisherDb;
  if (opened) await (await opened).close();
}

async function open(): Promise<Opened> {
  const dir = dataDir();
  const release = lockData(dir);
  try {
    const store = process.env.DATABASE_URL
      ? await openServer(dir, process.env.DATABASE_URL)
      : await openOwn(dir);
    try {
      await checkRows(dir, store.db);
    } catch (error) {
      await store.close().catch(() => undefined);
      throw store.own ? damaged(dir, error) : error;
    }
    return {
      ...store,
      replacing: new Mutex(),
      close: async () => {
        // What is there at a proper end is what the next start must find.
        await countRows(store.db)
          .then((rows) => writeCensus(dir, rows))
          .catch(() => undefined);
        await store.close();
        release();
      },
    };
  } catch (error) {
    release();
    throw error;
  }
}

/**
 * A database that lost rows, or that never had those of the films beside it, is not shown as an
 * empty log.
 */
async function checkRows(dir: string, db: Db): Promise<void> {
  const rows = await countRows(db);
  const lost = missing(dir, rows);
  if (lost) throw new DamagedStoreError(dir, lost);
  if (!readCensus(dir) && rows.rep === 0 && hasBlobs(dir))
    throw new DamagedStoreError(
      dir,
      "it holds no reps, and films and tracks of some lie beside it",
    );
  await writeCensus(dir, rows);
}

/**
 * A number of this program's own, under which a PostgreSQL server knows that its database is in
 * use.
 */
const IN_USE = 7_405_911;

async function openServer(dir: string, url: string): Promise<OpenedRows> {
  const [{ drizzle }, { migrate }, { Pool, Client }] = await Promise.all([
    import("drizzle-orm/node-postgres"),
    import("drizzle-orm/node-postgres/migrator"),
    import("pg"),
  ]);
  // Held by a connection of its own: the server lets go of it when the process ends.
  const holding = new Client({ connectionString: url });
  await holding.connect();
  try {
    const { rows } = await holding.query<{ got: boolean }>(
      "select pg_try_advisory_lock($1) as got",
      [IN_USE],
    );
    if (!rows[0]?.got) throw new DataInUseError("the database of DATABASE_URL", "");
    holding.on("error", () => undefined);
    const pool = new Pool({ connectionString: url });
    pool.on("error", () => undefined);
    const db = drizzle(pool, { schema });
    await migrate(db, { migrationsFolder: migrationsFolder() });
    return { db, dir, own: null, close: async () => void (await pool.end(), await holding.end()) };
  } catch (error) {
    await holding.end();
    throw error;
  }
}

async function openOwn(dir: string): Promise<OpenedRows> {
  const paths = storePaths(dir);
  await finishSwap(dir);
  if (lookOver(dir) === "new") {
    // Made beside its place: a start that is killed leaves no half of one.
    await makeDatabase(paths.next);
    await rm(paths.db, { recursive: true, force: true });
    await rename(paths.next, paths.db);
  }
  let client: PGlite;
  try {
    client = await openPglite(paths.db);
    if (await isBehind(client)) {
      await client.close();
      await migrateBeside(dir);
      client = await openPglite(paths.db);
    }
  } catch (error) {
    throw damaged(dir, error);
  }
  const own = new OneDatabase(client, paths.db, openPglite);
  return { db: await drizzleOf(own), dir, own, close: () => own.close() };
}

/**
 * Errors of the disk are said as such; anything else that keeps a database from being opened is
 * damage.
 */
function damaged(dir: string, error: unknown): Error {
  const code = (error as NodeJS.ErrnoException).code ?? "";
  if (error instanceof DamagedStoreError || /^E[A-Z]+$/.test(code)) return error as Error;
  const { cause, message } = error as Error;
  return new DamagedStoreError(
    dir,
    `it can't be opened (${(cause instanceof Error ? cause.message : message).split(".")[0]})`,
  );
}

/** Whether tables are of an older shape than the program's. */
async function isBehind(client: PGlite): Promise<boolean> {
  const { readMigrationFiles } = await import("drizzle-orm/migrator");
  const newest = Math.max(
    ...readMigrationFiles({ migrationsFolder: migrationsFolder() }).map((m) => m.folderMillis),
  );
  const db = await drizzleOf(client);
  const [row] = rowsOf<{ at: string | null }>(
    await db.execute(sql`select max(created_at) as at from drizzle.__drizzle_migrations`),
  );
  return Number(row?.at ?? 0) < newest;
}

/**
 * Brings a copy up to the present shape and puts it in the place of the database, which stands
 * beside.
 */
async function migrateBeside(dir: string): Promise<void> {
  const paths = storePaths(dir);
  await rm(paths.next, { recursive: true, force: true });
  await cp(paths.db, paths.next, { recursive: true });
  await migrated(paths.next);
  if (!existsSync(paths.next)) throw new Error("the copy is gone");
  await swapIn(dir, {
    act: "migrate",
    words: "The database was brought up to a newer version of the program.",
    at: new Date().toISOString(),
    files: [],
  });
}
