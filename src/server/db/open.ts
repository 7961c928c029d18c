import { mkdirSync } from "node:fs";
import path from "node:path";
import type { PgDatabase, PgQueryResultHKT } from "drizzle-orm/pg-core";
import { dataDir } from "../dataDir";
import { lockData } from "./lock";
import * as schema from "./schema";

export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;

interface Opened {
  db: Db;
  close(): Promise<void>;
}

const holder = globalThis as { __kingfisherDb?: Promise<Opened> };

/**
 * The database, opened and migrated once a process: PGlite in the data directory, or the PostgreSQL server that
 * DATABASE_URL names.
 *
 * @throws DataInUseError when another process has the directory
 */
export async function database(): Promise<Db> {
  holder.__kingfisherDb ??= open().catch((error: unknown) => {
    delete holder.__kingfisherDb;
    throw error;
  });
  return (await holder.__kingfisherDb).db;
}

/** Closes what `database` opened and gives the directory back; for scripts and tests. */
export async function closeDatabase(): Promise<void> {
  const opened = holder.__kingfisherDb;
  delete holder.__kingfisherDb;
  if (opened) await (await opened).close();
}

async function open(): Promise<Opened> {
  const migrationsFolder = path.join(/* turbopackIgnore: true */ process.cwd(), "drizzle");
  const url = process.env.DATABASE_URL;
  if (url) {
    const [{ drizzle }, { migrate }, { Pool }] = await Promise.all([import("drizzle-orm/node-postgres"), import("drizzle-orm/node-postgres/migrator"), import("pg")]);
    const pool = new Pool({ connectionString: url });
    const db = drizzle(pool, { schema });
    await migrate(db, { migrationsFolder });
    return { db, close: () => pool.end() };
  }
  const dir = dataDir();
  const release = lockData(dir);
  try {
    const [{ PGlite }, { drizzle }, { migrate }] = await Promise.all([import("@electric-sql/pglite"), import("drizzle-orm/pglite"), import("drizzle-orm/pglite/migrator")]);
    const store = path.join(dir, "db");
    mkdirSync(store, { recursive: true });
    const client = await PGlite.create(store);
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder });
    return {
      db,
      close: async () => {
        await client.close();
        release();
      },
    };
  } catch (error) {
    release();
    throw error;
  }
}
