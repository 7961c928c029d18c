import { createReadStream } from "node:fs";
import { getTableColumns, type Column } from "drizzle-orm";
import { getTableConfig, type PgTable } from "drizzle-orm/pg-core";
import { z } from "zod";
import * as schema from "../db/schema";
import { rowLines } from "./rowLines";
import type { TableName } from "./tables";

/** A row that no database of this program can hold, with which and why. */
export class RowError extends Error {
  override name = "RowError";
}

/** A rep's curves take some 200 kB, an insole's rows of a minute 1 MB. */
const MOST_BYTES = 16e6;
/**
 * The drill definitions are the deepest: 11 levels. The database's own reader of JSON overflows its
 * stack at some thousands.
 */
const DEEPEST = 64;

/**
 * Looks at the lines of a file of rows as bytes, before anything reads them as JSON: none too long,
 * none nested too deep, as many as were announced.
 *
 * @throws RowError
 */
export async function checkRowFile(file: string, table: string, announced: number): Promise<void> {
  let [rows, length, depth, quoted, escaped] = [0, 0, 0, false, false];
  const end = () => {
    if (length) rows++;
    [length, depth, quoted, escaped] = [0, 0, false, false];
  };
  for await (const chunk of createReadStream(file) as AsyncIterable<Buffer>)
    for (const byte of chunk) {
      if (byte === 0x0a) {
        end();
        continue;
      }
      if (++length > MOST_BYTES)
        throw new RowError(
          `Row ${rows + 1} of ${table} is longer than ${MOST_BYTES / 1e6} MB: no row of this program is.`,
        );
      if (escaped) escaped = false;
      else if (byte === 0x5c) escaped = quoted;
      else if (byte === 0x22) quoted = !quoted;
      else if (!quoted && (byte === 0x7b || byte === 0x5b) && ++depth > DEEPEST)
        throw new RowError(
          `Row ${rows + 1} of ${table} is nested more than ${DEEPEST} deep: no row of this program is.`,
        );
      else if (!quoted && (byte === 0x7d || byte === 0x5d)) depth--;
    }
  end();
  if (rows !== announced)
    throw new RowError(
      `${table} has ${rows} rows, and ${announced} are announced: it was damaged.`,
    );
}

/** The tables by the names that the database knows them by. */
const BY_NAME = new Map(
  Object.values(schema).map((table) => [getTableConfig(table as PgTable).name, table as PgTable]),
);

/** JSON columns that hold lists; all others hold objects. */
const LISTS = new Set([
  "golfer.goals",
  "golfer.lacks",
  "golfer.week",
  "bout.tags",
  "plan.bouts",
  "rep.problems",
  "verdict.actions",
  "verdict.checks",
]);

/** What a column may hold in a row that was written as JSON. */
function valueOf(table: string, column: Column): z.ZodType {
  const kinds: Record<string, z.ZodType> = {
    string: column.enumValues?.length
      ? z.enum(column.enumValues as [string, ...string[]])
      : z.string(),
    number: z.number(),
    boolean: z.boolean(),
    date: z.string().refine((s) => !Number.isNaN(Date.parse(s)), "no time"),
    json: LISTS.has(`${table}.${column.name}`) ? z.array(z.json()) : z.record(z.string(), z.json()),
  };
  const kind = kinds[column.dataType];
  if (!kind)
    throw new RangeError(`no check is known for ${table}.${column.name} (${column.dataType})`);
  return column.notNull ? kind : kind.nullable();
}

/** The shape of a table's rows as they are now, derived from its columns. */
const rowShape = (table: TableName): z.ZodType =>
  z.strictObject(
    Object.fromEntries(
      Object.values(getTableColumns(BY_NAME.get(table)!)).map((column) => [
        column.name,
        valueOf(table, column),
      ]),
    ),
  );

/** Looks at each row of a file of rows of the present shape. @throws RowError */
export async function checkColumns(file: string, table: TableName): Promise<void> {
  const shape = rowShape(table);
  let n = 0;
  for await (const lines of rowLines(file))
    for (const line of lines) {
      n++;
      let row: unknown;
      try {
        row = JSON.parse(line);
      } catch {
        throw new RowError(`Row ${n} of ${table} is no JSON: it was damaged.`);
      }
      const parsed = shape.safeParse(row);
      if (!parsed.success)
        throw new RowError(
          `Row ${n} of ${table} can't be read: ${z.prettifyError(parsed.error).slice(0, 300)}`,
        );
    }
}
