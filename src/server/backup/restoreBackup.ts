import { createHash } from "node:crypto";
import { createWriteStream, openAsBlob } from "node:fs";
import { mkdir, rm, statfs } from "node:fs/promises";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { BlobReader, configure, TextWriter, ZipReader, type FileEntry } from "@zip.js/zip.js";
import { z } from "zod";
import { backupManifest, type BackupManifest } from "../../core/formats";
import { BlobMismatchError, putBlob, type BlobKind } from "../blobs/blobs";
import { dataDir, under } from "../dataDir";
import { BackupError } from "./backupError";
import { broughtUp } from "./broughtUp";
import { replaceDatabase } from "../store/replace";
import { rowLines } from "./rowLines";
import { checkColumns, checkRowFile, RowError } from "./rowChecks";
import { schemaNow, TABLES, writeRows } from "./tables";

configure({ useWebWorkers: false });

/** The list itself is no larger than this: 50,000 reps' files take 10 MB. */
const MOST_LIST = 200e6;
/** So much of the disk stays free. */
const FREE = 200e6;

/**
 * Puts a backup in the place of all that is there. All of it is read, every sha-256 compared and
 * every row looked at; then its rows fill a database of their own, and only that takes the place of
 * the present one, which stands beside (store/replace.ts). Names in the file are never paths: files
 * are put where their sha-256 says.
 *
 * @param done told the bytes that are read, of how many
 * @throws BackupError with why, in words
 */
export async function restoreBackup(
  file: string,
  done?: (bytes: number, of: number) => void,
): Promise<BackupManifest> {
  const aside = under(dataDir(), "tmp", `restore-${path.basename(file)}`);
  const zip = new ZipReader(new BlobReader(await openAsBlob(file)));
  try {
    const entries = new Map(
      (await zip.getEntries().catch(() => broken())).flatMap((e) =>
        e.directory ? [] : [[e.filename, e] as const],
      ),
    );
    const manifest = await listOf(entries);
    const listed = [
      ...manifest.tables.map((t) => ({ name: `rows/${t.name}.ndjson`, bytes: t.bytes })),
      ...manifest.tracks.map((t) => ({ name: `tracks/${t.sha256}`, bytes: t.bytes })),
      ...manifest.clips.map((c) => ({ name: `clips/${c.sha256}`, bytes: c.bytes })),
    ];
    sameFiles(entries, listed);
    const total = listed.reduce((sum, f) => sum + f.bytes, 0);
    const { bavail, bsize } = await statfs(dataDir());
    if (total + FREE > bavail * bsize)
      throw new BackupError(
        `It takes ${mb(total)} MB and there are ${mb(bavail * bsize)} MB free. Free some space first.`,
      );
    await mkdir(aside, { recursive: true });
    let read = 0;
    const rows = (name: string) => under(aside, `${name}.ndjson`);
    for (const t of manifest.tables) {
      await extracted(entries.get(`rows/${t.name}.ndjson`)!, t, rows(t.name));
      done?.((read += t.bytes), total);
    }
    for (const kind of ["tracks", "clips"] as const)
      for (const f of manifest[kind]) {
        await kept(entries.get(`${kind}/${f.sha256}`)!, kind, f);
        done?.((read += f.bytes), total);
      }
    for (const t of manifest.tables) await checkRowFile(rows(t.name), t.name, t.rows).catch(unfit);
    const files =
      manifest.schema === schemaNow()
        ? rows
        : await broughtUp(
            manifest.schema,
            manifest.tables.map((t) => t.name),
            rows,
            aside,
          ).catch(apart);
    for (const table of TABLES) await checkColumns(files(table), table).catch(unfit);
    await replaceDatabase(
      {
        act: "restore",
        words: `A backup of ${manifest.at.slice(0, 10)} took the place of what was there.`,
        files: [],
      },
      "empty",
      (next) =>
        next
          .transaction(async (tx) => {
            for (const table of TABLES)
              for await (const some of rowLines(files(table))) await writeRows(tx, table, some);
          })
          .catch(apart),
    );
    return manifest;
  } finally {
    await zip.close().catch(() => undefined);
    await rm(aside, { recursive: true, force: true });
  }
}

/** A row that no database of this program holds is the backup's fault; anything else is not. */
function unfit(error: unknown): never {
  throw error instanceof RowError ? new BackupError(error.message) : error;
}

/**
 * What the database says of rows stands behind what the query builder says, with all of the query.
 */
function apart(error: unknown): never {
  throw new BackupError(
    "Its rows don't go together: " +
      `${error instanceof Error && error.cause instanceof Error ? error.cause.message : "the database refuses them"}`,
  );
}

const mb = (bytes: number): string => Math.ceil(bytes / 1e6).toLocaleString("en-GB");

function broken(): never {
  throw new BackupError(
    "The file is no ZIP, or it was cut short. Copy it again from where it was made.",
  );
}

async function listOf(entries: ReadonlyMap<string, FileEntry>): Promise<BackupManifest> {
  const entry = entries.get("backup.json");
  if (!entry || entry.uncompressedSize > MOST_LIST)
    throw new BackupError("This is no backup of this program.");
  const text = await entry.getData(new TextWriter()).catch(() => broken());
  let json: unknown = null;
  try {
    json = JSON.parse(text);
  } catch {
    throw new BackupError("Its list can't be read: it was damaged.");
  }
  const parsed = backupManifest.safeParse(json);
  if (!parsed.success)
    throw new BackupError(`Its list can't be read: ${z.prettifyError(parsed.error)}`);
  if (parsed.data.schema > schemaNow())
    throw new BackupError(
      "It was made by a newer version of the program. Bring this one up to date first.",
    );
  const unknown = parsed.data.tables.find((t) => !(TABLES as readonly string[]).includes(t.name));
  if (unknown) throw new BackupError(`It holds ${unknown.name}, which this program does not know.`);
  const missing =
    parsed.data.schema === schemaNow()
      ? TABLES.find((name) => parsed.data.tables.every((t) => t.name !== name))
      : undefined;
  if (missing) throw new BackupError(`It lacks ${missing}: it was damaged.`);
  return parsed.data;
}

/**
 * What is listed and what is there must be the same, with the same sizes: nothing is unpacked that
 * was not announced.
 */
function sameFiles(
  entries: ReadonlyMap<string, FileEntry>,
  listed: readonly { name: string; bytes: number }[],
): void {
  const names = new Set(listed.map((l) => l.name));
  if (names.size !== listed.length)
    throw new BackupError("Its list names a file twice: it was damaged.");
  for (const { name, bytes } of listed) {
    const entry = entries.get(name);
    if (!entry) throw new BackupError(`${name} is not in it: it was cut short or damaged.`);
    if (entry.uncompressedSize !== bytes)
      throw new BackupError(
        `${name} has ${entry.uncompressedSize} bytes, not ${bytes}: it was damaged.`,
      );
  }
  for (const name of entries.keys())
    if (name !== "backup.json" && !names.has(name))
      throw new BackupError(`It holds ${name}, which its list does not name.`);
}

/** An entry's bytes as they are unpacked; no more than it announced. */
function unpacked(entry: FileEntry, most: number): Readable {
  let size = 0;
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>({
    transform(chunk, out) {
      size += chunk.length;
      if (size > most)
        throw new BackupError(`${entry.filename} holds more than it says: it was damaged.`);
      out.enqueue(chunk);
    },
  });
  entry.getData(writable).catch((error: unknown) => writable.abort(error).catch(() => undefined));
  return Readable.fromWeb(readable);
}

async function extracted(
  entry: FileEntry,
  { bytes, sha256 }: { bytes: number; sha256: string },
  to: string,
): Promise<void> {
  const hash = createHash("sha256");
  await pipeline(
    unpacked(entry, bytes),
    async function* (chunks: AsyncIterable<Buffer>) {
      for await (const chunk of chunks) {
        hash.update(chunk);
        yield chunk;
      }
    },
    createWriteStream(to),
  ).catch((error: unknown) => damaged(entry.filename, error));
  if (hash.digest("hex") !== sha256) damaged(entry.filename);
}

async function kept(
  entry: FileEntry,
  kind: BlobKind,
  { sha256, bytes }: { sha256: string; bytes: number },
): Promise<void> {
  await putBlob(kind, sha256, unpacked(entry, bytes)).catch((error: unknown) =>
    damaged(entry.filename, error),
  );
}

function damaged(name: string, error?: unknown): never {
  if ((error as NodeJS.ErrnoException | undefined)?.code === "ENOSPC")
    throw new BackupError("The disk is full. Free some space and try again.");
  if (error !== undefined && !(error instanceof BlobMismatchError) && error instanceof BackupError)
    throw error;
  throw new BackupError(
    `${name} is not what was put in: it was damaged. Copy the backup again from where it was made.`,
  );
}
