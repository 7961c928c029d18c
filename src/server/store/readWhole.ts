/**
 * Opens a database that nothing else uses and reads all of it: every row, and every index against
 * its table. Prints how many rows it holds, or what is wrong with it.
 *
 * `node bin/run.mjs src/server/store/readWhole.ts DIR`
 */
import { PGlite } from "@electric-sql/pglite";
import { amcheck } from "@electric-sql/pglite/contrib/amcheck";
import { drizzle } from "drizzle-orm/pglite";
import * as schema from "../db/schema";
import { TABLES } from "../backup/tables";
import { countRows } from "./census";

const [dir] = process.argv.slice(2);
if (!dir) throw new Error("which database?");
try {
  const client = await PGlite.create(dir, { extensions: { amcheck } });
  for (const table of TABLES)
    await client.query(`select sum(length(whole::text)) from "${table}" whole`);
  await client.exec("create extension if not exists amcheck");
  const heaps = await client.query<{ msg: string }>(
    "select msg from (select c.oid from pg_class c join pg_namespace n on n.oid = " +
      "c.relnamespace where n.nspname = 'public' and c.relkind = 'r') t, " +
      "verify_heapam(t.oid, check_toast => true) limit 1",
  );
  if (heaps.rows[0]) throw new Error(heaps.rows[0].msg);
  await client.query(
    "select bt_index_check(c.oid, true) from pg_class c join pg_namespace n on n.oid = " +
      "c.relnamespace join pg_am a on a.oid = c.relam where n.nspname = 'public' and " +
      "a.amname = 'btree' and c.relkind = 'i'",
  );
  await client.exec("drop extension amcheck");
  const rows = await countRows(drizzle(client, { schema }));
  await client.close();
  console.log(JSON.stringify(rows));
} catch (error) {
  console.log(`it can't be read whole: ${(error as Error).message}`);
  process.exitCode = 1;
}
