import { createWriteStream, readFileSync } from "node:fs";
import { mkdir } from "node:fs/promises";
import { pipeline } from "node:stream/promises";
import { PGlite } from "@electric-sql/pglite";
import { drizzle } from "drizzle-orm/pglite";
import * as schema from "../db/schema";
import { under } from "../dataDir";
import { migrationsFolder } from "../db/migrated";
import { rowLines } from "./rowLines";
import { changes, readRows, TABLES, writeRows } from "./tables";

/**
 * Rows of an older shape brought up to the present one: put into a database of their own that has
 * that shape, and through the same changes of the tables that any other database went through.
 *
 * @param from number of the last change that the rows know of
 * @param rows where each table's rows lie
 * @returns where they lie now
 */
export async function broughtUp(
  from: number,
  tables: readonly string[],
  rows: (table: string) => string,
  aside: string,
): Promise<(table: string) => string> {
  const client = await PGlite.create();
  try {
    const db = drizzle(client, { schema });
    const apply = async (which: (idx: number) => boolean) => {
      for (const { idx, tag } of changes())
        if (which(idx))
          for (const statement of readFileSync(
            under(migrationsFolder(), `${tag}.sql`),
            "utf8",
          ).split("--> statement-breakpoint"))
            await client.exec(statement);
    };
    await apply((idx) => idx <= from);
    for (const table of TABLES)
      if (tables.includes(table))
        for await (const some of rowLines(rows(table))) await writeRows(db, table, some);
    await apply((idx) => idx > from);
    const up = under(aside, "up");
    await mkdir(up, { recursive: true });
    await db.transaction(async (tx) => {
      for (const table of TABLES) {
        await pipeline(
          async function* () {
            for await (const some of readRows(tx, table)) yield `${some.join("\n")}\n`;
          },
          createWriteStream(under(up, `${table}.ndjson`)),
        );
      }
    });
    return (table) => under(up, `${table}.ndjson`);
  } finally {
    await client.close();
  }
}
