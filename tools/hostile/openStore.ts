/**
 * Starts the program's store as the server does, reads every page's rows, and says how many reps
 * there are.
 */
import { sql } from "drizzle-orm";
import { TABLES } from "../../src/server/backup/tables";
import { rowsOf } from "../../src/server/db/rowsOf";
import { closeDatabase, database } from "../../src/server/db/open";
import { start } from "../../src/server/start";

await start();
try {
  const db = await database();
  for (const table of TABLES)
    await db.execute(sql`select sum(length(whole::text)) from ${sql.identifier(table)} whole`);
  const [row] = rowsOf<{ n: number }>(await db.execute(sql`select count(*)::int as n from rep`));
  console.log(`${row!.n} reps`);
  await closeDatabase();
  process.exit(0);
} catch (error) {
  // A server outlives a request that met a damaged page: it says so and ends by itself.
  setTimeout(() => {
    console.error(error);
    process.exit(1);
  }, 20_000);
}
