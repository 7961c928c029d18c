import { readFileSync } from "node:fs";
import { sql } from "drizzle-orm";
import { under } from "../dataDir";
import { migrationsFolder } from "../db/migrated";
import { type Db } from "../db/open";
import { rowsOf } from "../db/rowsOf";

/** All tables, each after those that it points to. */
export const TABLES = [
  "golfer",
  "session",
  "own_drill",
  "drill_version",
  "bout",
  "bout_measure",
  "plan",
  "clip",
  "rep",
  "event",
  "measure",
  "verdict",
  "correction",
  "insoles",
] as const;
export type TableName = (typeof TABLES)[number];

/** Rows that are read or written at a time. */
const AT_A_TIME = 2000;

/** The changes of the tables in their order. */
export const changes = (): { idx: number; tag: string }[] =>
  (
    JSON.parse(readFileSync(under(migrationsFolder(), "meta", "_journal.json"), "utf8")) as {
      entries: { idx: number; tag: string }[];
    }
  ).entries;

/** Number of the last change: the shape that rows have now. */
export const schemaNow = (): number => changes().at(-1).idx;

/** All rows of a table as JSON, some at a time; within a transaction. */
export async function* readRows(tx: Db, table: string): AsyncGenerator<string[]> {
  await tx.execute(
    sql.raw(
      `declare kept no scroll cursor for select to_jsonb(whole)::text as row from "${table}" whole`,
    ),
  );
  for (;;) {
    const rows = rowsOf<{ row: string }>(await tx.execute(sql.raw(`fetch ${AT_A_TIME} from kept`)));
    if (!rows.length) break;
    yield rows.map((r) => r.row);
  }
  await tx.execute(sql.raw("close kept"));
}

/** Puts rows into a table, each a JSON object of its columns. */
export async function writeRows(tx: Db, table: string, rows: readonly string[]): Promise<void> {
  for (let i = 0; i < rows.length; i += AT_A_TIME)
    await tx.execute(
      sql`insert into ${sql.identifier(table)} select * from jsonb_populate_recordset(null::${sql.identifier(table)}, ${`[${rows.slice(i, i + AT_A_TIME).join(",")}]`}::jsonb)`,
    );
}

/** Removes every row of every table. */
export async function clearTables(tx: Db): Promise<void> {
  for (const table of [...TABLES].reverse())
    await tx.execute(sql`delete from ${sql.identifier(table)}`);
}
