import { spawn } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { cp, mkdir, readdir, rename, rm, stat, statfs } from "node:fs/promises";
import { z } from "zod";
import { under } from "../dataDir";
import type { OneDatabase } from "../db/oneDatabase";
import { writeDurably } from "./durable";
import type { RowCounts } from "./census";
import { storePaths } from "./paths";

const about = z.object({
  at: z.iso.datetime(),
  bytes: z.number(),
  rows: z.object({ golfer: z.number(), bout: z.number(), rep: z.number() }),
});

/** One of the program's own copies of the database, which was opened and read whole. */
export interface Copy {
  name: string;
  dir: string;
  at: Date;
  bytes: number;
  rows: RowCounts;
}

/** All copies that were finished, the latest first. */
export function listCopies(dir: string): Copy[] {
  const { copies } = storePaths(dir);
  let names: string[] = [];
  try {
    names = readdirSync(copies);
  } catch {
    return [];
  }
  return names
    .flatMap((name) => {
      try {
        const { at, bytes, rows } = about.parse(
          JSON.parse(readFileSync(under(copies, name, "about.json"), "utf8")),
        );
        return [{ name, dir: under(copies, name), at: new Date(at), bytes, rows }];
      } catch {
        return [];
      }
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

/** So much of the disk stays free beside a copy, bytes. */
const FREE = 500e6;

/** There is no room for a copy, or it can't be read: nothing was changed. */
class NoCopyError extends Error {
  override name = "NoCopyError";
}

/**
 * Makes a copy of the database as it is at one instant, opens it in a process of its own, and reads
 * it whole. Only then it counts.
 *
 * @throws NoCopyError
 */
export async function makeCopy(dir: string, database: OneDatabase): Promise<Copy> {
  const paths = storePaths(dir);
  const at = new Date();
  const part = under(paths.copies, "unfinished");
  await rm(part, { recursive: true, force: true });
  await mkdir(part, { recursive: true });
  try {
    const needed = await sizeOf(paths.db);
    const { bavail, bsize } = await statfs(dir);
    if (bavail * bsize < needed + FREE)
      throw new NoCopyError(
        `A copy takes ${Math.ceil(needed / 1e6)} MB, and ${Math.ceil((bavail * bsize) / 1e6)} MB are free.`,
      );
    await database.still(() => cp(paths.db, under(part, "db"), { recursive: true }));
    const rows = await readInOwnProcess(under(part, "db"));
    const bytes = await sizeOf(part);
    await writeDurably(
      under(part, "about.json"),
      `${JSON.stringify({ at: at.toISOString(), bytes, rows })}\n`,
    );
    const name = at.toISOString().replace(/[:.]/g, "-");
    await rename(part, under(paths.copies, name));
    await thinOut(dir, at);
    return { name, dir: under(paths.copies, name), at, bytes, rows };
  } catch (error) {
    await rm(part, { recursive: true, force: true });
    throw error;
  }
}

const DAY_MS = 86_400_000;
/**
 * Kept: the latest copy, and the latest that is older than a day, and than a week. So damage that
 * is noticed late finds one before it.
 */
const AGES_MS = [0, DAY_MS, 7 * DAY_MS];
export const MOST_COPIES = AGES_MS.length;

/** Removes the copies that are not kept any more. */
async function thinOut(dir: string, now: Date): Promise<void> {
  const copies = listCopies(dir);
  const kept = new Set(
    AGES_MS.map((age) => copies.find((c) => now.getTime() - c.at.getTime() >= age)?.name),
  );
  // Until one is a week old, the oldest grows into its place.
  if (!copies.some((c) => now.getTime() - c.at.getTime() >= AGES_MS.at(-1)))
    kept.add(copies.at(-1)?.name);
  for (const { name, dir: own } of copies)
    if (!kept.has(name)) await rm(own, { recursive: true, force: true });
}

/**
 * Reads a database whole in a process of its own, which may end in any way. @throws NoCopyError
 * with what it says
 */
export function readInOwnProcess(db: string): Promise<RowCounts> {
  const run = under(process.cwd(), "bin/run.mjs");
  const script = under(process.cwd(), "src/server/store/readWhole.ts");
  return new Promise((resolve, reject) => {
    const child = spawn("nice", ["-n", "10", process.execPath, run, script, db], {
      stdio: ["ignore", "pipe", "pipe"],
    });
    let [out, err] = ["", ""];
    child.stdout.on("data", (chunk) => (out += String(chunk)));
    child.stderr.on("data", (chunk) => (err = (err + String(chunk)).slice(-2000)));
    child.on("error", reject);
    child.on("close", (code) => {
      try {
        if (code !== 0) throw new Error(out.trim() || err.trim());
        resolve(about.shape.rows.parse(JSON.parse(out)));
      } catch (error) {
        reject(new NoCopyError((error as Error).message.slice(0, 500)));
      }
    });
  });
}

async function sizeOf(dir: string): Promise<number> {
  const files = (await readdir(dir, { recursive: true, withFileTypes: true })).filter((e) =>
    e.isFile(),
  );
  return (
    await Promise.all(
      files.map((f) =>
        stat(under(f.parentPath, f.name)).then(
          (s) => s.size,
          () => 0,
        ),
      ),
    )
  ).reduce((sum, n) => sum + n, 0);
}
