import path from "node:path";
import type { PGlite } from "@electric-sql/pglite";
import type { Db } from "./db";
import * as schema from "./schema";

export const migrationsFolder = (): string =>
  path.join(/* turbopackIgnore: true */ process.cwd(), "drizzle");

export async function openPglite(dir: string): Promise<PGlite> {
  const { PGlite } = await import("@electric-sql/pglite");
  return PGlite.create(dir);
}

/** Drizzle on a PGlite, or on what stands for one. */
export async function drizzleOf(
  client: Pick<PGlite, "query" | "exec" | "transaction">,
): Promise<Db> {
  const { drizzle } = await import("drizzle-orm/pglite");
  return drizzle(client as PGlite, { schema });
}

/** Makes a database, or brings one that nobody has open up to the present shape. */
export async function migrated(dir: string): Promise<void> {
  const [client, { drizzle }, { migrate }] = await Promise.all([
    openPglite(dir),
    import("drizzle-orm/pglite"),
    import("drizzle-orm/pglite/migrator"),
  ]);
  await migrate(drizzle(client), { migrationsFolder: migrationsFolder() });
  await client.close();
}
