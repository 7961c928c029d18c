import { existsSync } from "node:fs";
import { cp, mkdir, readFile, rm, writeFile } from "node:fs/promises";
import { under } from "../dataDir";
import { clearTables, readRows, schemaNow, TABLES, writeRows } from "../backup/tables";
import { rowLines } from "../backup/rowLines";
import { broughtUp } from "../backup/broughtUp";
import { removeUnused } from "../blobs/unused";
import { makeDatabase } from "../db/makeDatabase";
import { drizzleOf, openPglite } from "../db/migrated";
import { openedStore, type Db, type Opened } from "../db/open";
import { countRows, expectFewer, readCensus, writeCensus, type RowCounts } from "./census";
import { writeDurably } from "./durable";
import { storePaths } from "./paths";
import {
  aboutStanding,
  listStanding,
  STANDING_ID,
  standingId,
  type AboutStanding,
  type StandingBeside,
} from "./standing";
import { swapIn } from "./swap";

/**
 * What is put in the place of the present database: one that starts empty, or one that starts as a
 * copy.
 */
export type StartsAs = "empty" | "copy";

/**
 * Changes all of the database at once, in a way that can be undone: `fill` works on a database of
 * its own. Only when that has ended well does it take the place of the present one, which stands
 * beside until the golfer says that all is well.
 *
 * On a PostgreSQL server there is no directory to swap. There `fill` runs on an embedded database
 * first, if it starts empty, and then in one transaction on the server, whose rows were written
 * beside.
 */
export async function replaceDatabase(
  about: Omit<AboutStanding, "at">,
  starts: StartsAs,
  fill: (db: Db) => Promise<void>,
): Promise<void> {
  const { replacing } = await openedStore();
  return replacing.runExclusive(() => replaced(about, starts, fill));
}

async function replaced(
  about: Omit<AboutStanding, "at">,
  starts: StartsAs,
  fill: (db: Db) => Promise<void>,
): Promise<void> {
  const store = await openedStore();
  const whole = { ...about, at: new Date().toISOString() };
  await (store.own
    ? replaceOwn({ ...store, own: store.own }, whole, starts, fill)
    : replaceOnServer(store, whole, starts, fill));
  await writeCensus(store.dir, await countRows(store.db));
}

async function replaceOwn(
  { dir, own }: Opened & { own: NonNullable<Opened["own"]> },
  about: AboutStanding,
  starts: StartsAs,
  fill: (db: Db) => Promise<void>,
): Promise<void> {
  const { db, next } = storePaths(dir);
  try {
    if (starts === "empty") {
      await makeDatabase(next);
      const rows = await changed(next, fill);
      await own.exchange(() => putIn(dir, about, rows));
    } else {
      await own.exchange(async () => {
        await rm(next, { recursive: true, force: true });
        await cp(db, next, { recursive: true });
        await putIn(dir, about, await changed(next, fill));
      });
    }
  } finally {
    await rm(next, { recursive: true, force: true });
  }
}

/** Opens a database that nobody uses, changes it, and closes it. @returns what it holds then */
async function changed(next: string, fill: (db: Db) => Promise<void>): Promise<RowCounts> {
  const client = await openPglite(next);
  try {
    const db = await drizzleOf(client);
    await fill(db);
    return await countRows(db);
  } finally {
    await client.close();
  }
}

/**
 * The swap, with no more expected from then on than what the next database holds: a kill right
 * after it must not look like a loss.
 */
async function putIn(dir: string, about: AboutStanding, rows: RowCounts): Promise<void> {
  const then = readCensus(dir)?.rows ?? rows;
  await writeCensus(dir, {
    golfer: Math.min(rows.golfer, then.golfer),
    bout: Math.min(rows.bout, then.bout),
    rep: Math.min(rows.rep, then.rep),
  });
  await swapIn(dir, about);
}

async function replaceOnServer(
  { dir, db }: Opened,
  about: AboutStanding,
  starts: StartsAs,
  fill: (db: Db) => Promise<void>,
): Promise<void> {
  const scratch = under(dir, "tmp", "scratch.db");
  if (starts === "empty")
    try {
      await makeDatabase(scratch);
      const client = await openPglite(scratch);
      await fill(await drizzleOf(client)).finally(() => client.close());
    } finally {
      await rm(scratch, { recursive: true, force: true });
    }
  const rows = await countRows(db);
  await rowsBeside(dir, db, about);
  await expectFewer(rows);
  await db.transaction(async (tx) => {
    if (starts === "empty") await clearTables(tx);
    await fill(tx);
  });
}

/** All rows of a server's database as files in `before/`, in the place of a directory. */
async function rowsBeside(dir: string, db: Db, about: AboutStanding): Promise<void> {
  const beside = under(storePaths(dir).before, standingId(about));
  await mkdir(under(beside, "rows"), { recursive: true });
  await db.transaction(
    async (tx) => {
      for (const table of TABLES) {
        let text = "";
        for await (const some of readRows(tx, table)) text += `${some.join("\n")}\n`;
        await writeFile(under(beside, "rows", `${table}.ndjson`), text, { flush: true });
      }
    },
    { isolationLevel: "repeatable read" },
  );
  await writeFile(under(beside, "rows", "schema"), String(schemaNow()));
  await writeDurably(under(beside, "about.json"), `${JSON.stringify(about)}\n`);
}

/** What stands beside under a name. @throws RangeError when nothing does */
async function standing(id: string): Promise<{ dir: string; one: StandingBeside }> {
  const { dir } = await openedStore();
  const one = STANDING_ID.test(id) ? listStanding(dir).find((s) => s.id === id) : undefined;
  if (!one) throw new RangeError("That is not there any more.");
  return { dir, one };
}

/**
 * Brings back what was there before; what is there now stands beside in its place. @throws
 * RangeError when it is gone
 */
export async function bringBack(id: string): Promise<void> {
  const { replacing } = await openedStore();
  return replacing.runExclusive(() => broughtBack(id));
}

async function broughtBack(id: string): Promise<void> {
  const { dir, one } = await standing(id);
  const { own, db } = await openedStore();
  const about = { act: "bring back" as const, words: `Undone: ${one.words}`, files: [] };
  if (own) {
    const whole = { ...about, at: new Date().toISOString() };
    const { next } = storePaths(dir);
    await own.exchange(async () => {
      await rm(next, { recursive: true, force: true });
      await cp(under(one.dir, "db"), next, { recursive: true });
      await putIn(dir, whole, await changed(next, async () => undefined));
    });
  } else {
    const rows = (table: string) => under(one.dir, "rows", `${table}.ndjson`);
    const schema = Number(await readFile(rows("").replace(/\.ndjson$/, "schema"), "utf8"));
    const aside = under(dir, "tmp", `back-${one.id}`);
    const files = schema === schemaNow() ? rows : await broughtUp(schema, TABLES, rows, aside);
    await replaced(about, "empty", async (to) => {
      for (const table of TABLES)
        if (existsSync(files(table)))
          for await (const some of rowLines(files(table))) await writeRows(to, table, some);
    });
    await rm(aside, { recursive: true, force: true });
  }
  await writeCensus(dir, await countRows(db));
  await rm(one.dir, { recursive: true, force: true });
}

/**
 * The golfer says that all is well: what stood beside goes for good, with the files that only it
 * spoke of. @throws RangeError when it is gone
 */
export async function letGo(id: string): Promise<void> {
  const { dir, one } = await standing(id);
  const others = listStanding(dir).filter((s) => s.id !== id);
  const [heir] = others;
  // Another one that still stands may need them.
  if (heir && one.files.length)
    await writeDurably(
      under(heir.dir, "about.json"),
      `${JSON.stringify(aboutStanding.parse({ ...heir, files: [...heir.files, ...one.files] }))}\n`,
    );
  await rm(one.dir, { recursive: true, force: true });
  if (!heir) await removeUnused((await openedStore()).db, one.files);
  // Copies would still hold the one who was removed; new ones come when the program rests.
  if (one.act === "remove") await rm(storePaths(dir).copies, { recursive: true, force: true });
}
