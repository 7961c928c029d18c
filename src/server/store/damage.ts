import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import { under } from "../dataDir";
import { listCopies } from "./copies";
import { storePaths } from "./paths";

/**
 * What a database of this program's PGlite says of its own version, and the least that must be
 * there besides.
 */
const PG_VERSION = "18";
const NEEDED = [
  "PG_VERSION",
  "base",
  "global",
  "global/pg_control",
  "global/pg_filenode.map",
  "pg_wal",
  "pg_xact",
  "postgresql.conf",
];
/** Bytes of a control file, in every PostgreSQL (PG_CONTROL_FILE_SIZE). */
const CONTROL_BYTES = 8192;

/**
 * The database can't be trusted: nothing is opened, made or moved before the golfer has said what
 * to do.
 */
export class DamagedStoreError extends Error {
  override name = "DamagedStoreError";
  constructor(
    readonly dir: string,
    readonly what: string,
  ) {
    super(damageWords(dir, what).join("\n"));
  }
}

/** What is wrong, where the data lies, and what to do, a sentence or two a line. */
export function damageWords(dir: string, what: string): string[] {
  const [copy] = listCopies(dir);
  return [
    `The database in ${storePaths(dir).db} is not as it was: ${what}.`,
    `Nothing was changed. Films lie in ${under(dir, "clips")}, tracks in ${under(dir, "tracks")}; leave them there.`,
    copy
      ? `The last good copy is of ${copy.at.toISOString().slice(0, 16).replace("T", " ")} ` +
        `UTC, with ${copy.rows.rep} reps. To bring it back: npm run check-data -- ` +
        "--bring-back"
      : "There is no copy of the program's own. If you have saved a backup: npm run check-data -- --restore FILE.zip",
    "To see what state all of it is in: npm run check-data",
  ];
}

/** Whether films or tracks of earlier reps are there: then a database belongs to them. */
export const hasBlobs = (dir: string): boolean =>
  ["clips", "tracks"].some((kind) =>
    folders(under(dir, kind)).some((f) => folders(under(dir, kind, f)).length > 0),
  );

const folders = (dir: string): string[] => {
  try {
    return readdirSync(dir);
  } catch {
    return [];
  }
};

/** Whether anything says that there was a database here before. */
const hadDatabase = (dir: string): boolean => {
  const paths = storePaths(dir);
  return (
    hasBlobs(dir) ||
    existsSync(paths.census) ||
    folders(paths.copies).length > 0 ||
    folders(paths.before).length > 0
  );
};

/**
 * Looks at the files of a database before anything opens them: where one that names the others is
 * gone, the database would be made anew over the old one.
 *
 * @returns "new" where there was never one
 * @throws DamagedStoreError
 */
export function lookOver(dir: string): "new" | "there" {
  const { db } = storePaths(dir);
  const files = folders(db);
  if (!existsSync(db) || !files.length) {
    if (!hadDatabase(dir)) return "new";
    throw new DamagedStoreError(
      dir,
      existsSync(db) ? "its directory is empty" : "its directory is gone",
    );
  }
  const gone = NEEDED.find((name) => !existsSync(under(db, name)));
  if (gone) throw new DamagedStoreError(dir, `${gone} is missing`);
  const version = readFileSync(under(db, "PG_VERSION"), "utf8").trim();
  if (version !== PG_VERSION)
    throw new DamagedStoreError(
      dir,
      `PG_VERSION says "${version.slice(0, 20)}", this program writes ${PG_VERSION}`,
    );
  const { size } = statSync(under(db, "global/pg_control"));
  if (size !== CONTROL_BYTES)
    throw new DamagedStoreError(dir, `global/pg_control has ${size} bytes, not ${CONTROL_BYTES}`);
  return "there";
}
