import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { Client } from "pg";
import { closeDatabase, database, type Db } from "@/server/db/open";

const before = { data: process.env.KINGFISHER_DATA, url: process.env.DATABASE_URL };
const dirs: string[] = [];

/**
 * An empty store, as on another machine: a directory of its own, and on a PostgreSQL server
 * (KINGFISHER_TEST_PG) a database of its own.
 */
export async function freshStore(): Promise<{ db: Db; dir: string }> {
  await closeDatabase();
  const dir = (process.env.KINGFISHER_DATA = mkdtempSync(
    path.join(os.tmpdir(), "kingfisher-test-"),
  ));
  dirs.push(dir);
  const server = process.env.KINGFISHER_TEST_PG;
  if (server) {
    const name = `k${randomUUID().replaceAll("-", "")}`;
    const client = new Client({ connectionString: server });
    await client.connect();
    await client.query(`create database ${name}`);
    await client.end();
    const url = new URL(server);
    url.pathname = `/${name}`;
    process.env.DATABASE_URL = url.href;
  }
  return { db: await database(), dir };
}

/** Takes away all that was made, and leaves the process as it was. */
export async function endStores(): Promise<void> {
  await closeDatabase();
  dirs.forEach((d) => rmSync(d, { recursive: true, force: true }));
  for (const [name, value] of [
    ["KINGFISHER_DATA", before.data],
    ["DATABASE_URL", before.url],
  ] as const) {
    if (value === undefined) delete process.env[name];
    else process.env[name] = value;
  }
}
