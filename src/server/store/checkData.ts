/**
 * What state the data is in, and what mends it: `npm run check-data`, with the program stopped.
 *
 *   npm run check-data                                looks at all of it and changes nothing but what is half done
 *   npm run check-data -- --bring-back [COPY]         puts the last good copy (or one that it lists) in the database's place
 *   npm run check-data -- --restore FILE.zip          the same with a backup
 *   npm run check-data -- --accept                    takes the database as it is, though it lost rows
 *   npm run check-data -- --new                       begins with an empty database
 *   npm run check-data -- --mend                      puts damaged films aside, and files that no rep uses into lost/
 *
 * Whatever it replaces stands in before/ afterwards. Ends with 0 when all is well, else with 1.
 */
import { existsSync } from "node:fs";
import { cp, rm } from "node:fs/promises";
import { parseArgs } from "node:util";
import { checkBlobs, isWhole } from "../blobs/checkBlobs";
import { sweepBlobs } from "../blobs/blobs";
import { healBlobs } from "../blobs/heal";
import { restoreBackup } from "../backup/restoreBackup";
import { dataDir } from "../dataDir";
import { DataInUseError, lockData } from "../db/lock";
import { makeDatabase } from "../db/makeDatabase";
import { closeDatabase, openedStore } from "../db/open";
import { readCensus, writeCensus } from "./census";
import { listCopies, makeCopy, readInOwnProcess } from "./copies";
import { DamagedStoreError } from "./damage";
import { removePage } from "./page";
import { storePaths } from "./paths";
import { listStanding } from "./standing";
import { finishSwap, swapIn } from "./swap";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    "bring-back": { type: "boolean" },
    restore: { type: "string" },
    accept: { type: "boolean" },
    new: { type: "boolean" },
    mend: { type: "boolean" },
  },
});
const dir = dataDir();
const paths = storePaths(dir);
const mb = (bytes: number) => `${Math.ceil(bytes / 1e6)} MB`;
const when = (at: Date) => `${at.toISOString().slice(0, 16).replace("T", " ")} UTC`;

/**
 * Puts a directory's copy in the database's place; what was there stands beside, however damaged.
 */
async function putInPlace(
  make: () => Promise<void>,
  words: string,
  act: "damaged" | "new",
): Promise<void> {
  const release = lockData(dir);
  try {
    await finishSwap(dir);
    await rm(paths.next, { recursive: true, force: true });
    await make();
    await swapIn(dir, { act, words, at: new Date().toISOString(), files: [] });
    await rm(paths.census, { force: true });
  } finally {
    release();
  }
}

async function bringBackCopy(name: string | undefined): Promise<void> {
  const copies = listCopies(dir);
  const copy = name === undefined ? copies[0] : copies.find((c) => c.name === name);
  if (!copy)
    throw new RangeError(
      name === undefined ? "There is no copy of the program's own." : `There is no copy ${name}.`,
    );
  await readInOwnProcess(`${copy.dir}/db`);
  await putInPlace(
    () => cp(`${copy.dir}/db`, paths.next, { recursive: true }),
    `The copy of ${when(copy.at)} was brought back.`,
    "damaged",
  );
  console.log(
    `The copy of ${when(copy.at)} is the database now: ${copy.rows.rep} reps. The one ` +
      `before stands in ${paths.before}.`,
  );
}

async function look(): Promise<boolean> {
  let well = true;
  const wrong = (what: string) => {
    well = false;
    console.log(`  wrong: ${what}`);
  };
  console.log(`Data: ${dir}`);
  try {
    const store = await openedStore();
    if (store.own) {
      // A copy that is read whole says more than the database itself could.
      const copy = await makeCopy(dir, store.own);
      console.log(
        `Database: whole. ${copy.rows.golfer} golfers, ${copy.rows.bout} bouts, ` +
          `${copy.rows.rep} reps, ${mb(copy.bytes)}; a copy was made.`,
      );
    } else
      console.log(
        `Database: on the server that DATABASE_URL names, ${readCensus(dir)?.rows.rep} reps. ` +
          "Its copies are the server's own matter.",
      );
    let damaged: string[] = [];
    if (values.mend) {
      damaged = await checkBlobs(store.db);
      const { orphans } = await healBlobs(store.db);
      console.log(
        `Mended: ${damaged.length} damaged files put aside in damaged/, ${orphans} that no rep uses moved to lost/.`,
      );
    } else
      for (const kind of ["clips", "tracks"] as const)
        for (const sha256 of await sweepBlobs(kind))
          if (!(await isWhole(kind, sha256))) damaged.push(`${kind}/${sha256}`);
    const [films, tracks] = await Promise.all([sweepBlobs("clips"), sweepBlobs("tracks")]);
    console.log(`Films: ${films.length}, tracks: ${tracks.length}`);
    if (!values.mend)
      for (const name of damaged)
        wrong(
          `${name} is damaged. Read its clip again to put the right one in its place; --mend puts it aside.`,
        );
    await removePage(dir);
  } catch (error) {
    if (!(error instanceof DamagedStoreError)) throw error;
    error.message.split("\n").forEach((line) => wrong(line));
  } finally {
    await closeDatabase();
  }
  const copies = listCopies(dir);
  console.log(
    `Copies of the program's own: ${copies.length}${copies.length ? "" : ". One is made when the program rests."}`,
  );
  for (const c of copies)
    console.log(`  ${c.name}  ${when(c.at)}  ${c.rows.rep} reps  ${mb(c.bytes)}`);
  for (const s of listStanding(dir))
    console.log(`Stands beside until you say that all is well: ${s.id}  ${s.words}`);
  return well;
}

try {
  if (values["bring-back"]) await bringBackCopy(positionals[0]);
  if (values.new)
    await putInPlace(() => makeDatabase(paths.next), "A new database was begun.", "new");
  if (values.accept || values.new) {
    // An empty count: whatever the database holds is taken for right from now on.
    await writeCensus(dir, { golfer: 0, bout: 0, rep: 0 });
  }
  if (values.restore !== undefined) {
    if (!existsSync(values.restore)) throw new RangeError(`There is no file ${values.restore}.`);
    await openedStore().catch(async (error: unknown) => {
      if (!(error instanceof DamagedStoreError)) throw error;
      await putInPlace(() => makeDatabase(paths.next), "A backup was brought back.", "damaged");
      await writeCensus(dir, { golfer: 0, bout: 0, rep: 0 });
      return openedStore();
    });
    const manifest = await restoreBackup(values.restore);
    console.log(`The backup of ${manifest.at.slice(0, 10)} is the database now.`);
  }
  process.exitCode = (await look()) ? 0 : 1;
} catch (error) {
  console.error(
    error instanceof RangeError ||
      error instanceof DataInUseError ||
      (error as Error).name === "BackupError" ||
      (error as Error).name === "NoCopyError"
      ? (error as Error).message
      : error,
  );
  process.exitCode = 1;
} finally {
  await closeDatabase();
}
