import { createHash, randomUUID } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { cp, mkdir, rename, rm } from "node:fs/promises";
import { under } from "../dataDir";
import { migrated, migrationsFolder } from "./migrated";

/**
 * Makes an empty database with all tables.
 *
 * That takes some seconds. Tests and benches, which make many, name a directory in
 * KINGFISHER_DB_TEMPLATES: the first one is kept there, and the others are copies of it.
 */
export async function makeDatabase(dir: string): Promise<void> {
  await rm(dir, { recursive: true, force: true });
  const templates = process.env.KINGFISHER_DB_TEMPLATES;
  if (!templates) return migrated(dir);
  const shape = createHash("sha256")
    .update(readFileSync(under(migrationsFolder(), "meta", "_journal.json")))
    .digest("hex")
    .slice(0, 16);
  const template = under(templates, shape);
  if (!existsSync(template)) {
    await mkdir(templates, { recursive: true });
    const part = `${template}.${randomUUID()}`;
    await migrated(part);
    // Another process may have been first.
    await rename(part, template).catch(() => rm(part, { recursive: true, force: true }));
  }
  await cp(template, dir, { recursive: true });
}
