import {
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import path from "node:path";
import type { seeded } from "../../src/core/maths/seeded";

type Random = ReturnType<typeof seeded>;

const files = (dir: string): string[] =>
  readdirSync(dir, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile())
    .map((e) => path.join(e.parentPath, e.name))
    .sort();
const pick = <T>(random: Random, of: readonly T[]): T =>
  of[Math.floor(random.uniform() * of.length)]!;

/** Changes some bytes of a file, from a seeded place on. */
function flip(file: string, random: Random, most = 64): void {
  const bytes = readFileSync(file);
  if (!bytes.length) return;
  const at = Math.floor(random.uniform() * bytes.length);
  for (let i = at; i < Math.min(bytes.length, at + 1 + Math.floor(random.uniform() * most)); i++)
    bytes[i]! ^= 1 + Math.floor(random.uniform() * 255);
  writeFileSync(file, bytes);
}

const wal = (db: string) => files(path.join(db, "pg_wal")).filter((f) => /\/[0-9A-F]{24}$/.test(f));
/** Files of tables and indexes that hold something. */
const relations = (db: string) =>
  files(path.join(db, "base")).filter((f) => /\/\d+(_\w+)?$/.test(f) && statSync(f).size > 8192);

/**
 * Ways in which a disk, a sync program or a careless hand spoils a database, each at a seeded
 * place.
 */
export const DAMAGES: Record<string, (db: string, random: Random) => void> = {
  "PG_VERSION is lost": (db) => rmSync(path.join(db, "PG_VERSION")),
  "PG_VERSION says something else": (db, random) =>
    writeFileSync(path.join(db, "PG_VERSION"), pick(random, ["", "9\n", "17\n", "\0\0\0"])),
  "the directory is empty": (db) => {
    rmSync(db, { recursive: true });
    mkdirSync(db);
  },
  "the directory is gone": (db) => rmSync(db, { recursive: true }),
  "the control file is damaged": (db, random) => flip(path.join(db, "global/pg_control"), random),
  "the control file is cut or lost": (db, random) =>
    random.uniform() < 0.5
      ? truncateSync(path.join(db, "global/pg_control"), Math.floor(random.uniform() * 8192))
      : rmSync(path.join(db, "global/pg_control")),
  "the log of writes is torn": (db, random) => flip(pick(random, wal(db)), random, 20_000),
  "the log of writes is cut or lost": (db, random) => {
    const file = pick(random, wal(db));
    if (random.uniform() < 0.5) rmSync(file);
    else truncateSync(file, Math.floor(random.uniform() * statSync(file).size));
  },
  "pages are damaged": (db, random) => {
    for (let k = 0; k < 5; k++) flip(pick(random, relations(db)), random, 500);
  },
  "tables are cut": (db, random) => {
    const file = pick(random, relations(db));
    truncateSync(file, Math.floor((random.uniform() * statSync(file).size) / 8192) * 8192);
  },
  "what was committed is damaged": (db, random) =>
    flip(path.join(db, "pg_xact/0000"), random, 8192),
  "any file is lost": (db, random) => rmSync(pick(random, files(db))),
};
