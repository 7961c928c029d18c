import { createHash, randomUUID } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { mkdir, rm } from "node:fs/promises";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { configure, TextReader, ZipWriter } from "@zip.js/zip.js";
import { eq } from "drizzle-orm";
import type { BackupManifest } from "../../core/formats";
import { blobSize, readBlob, type BlobKind } from "../blobs/blobs";
import { dataDir, under } from "../dataDir";
import type { Db } from "../db/open";
import { clip, rep } from "../db/schema";
import { readRows, schemaNow, TABLES } from "./tables";

configure({ useWebWorkers: false });

/** A backup that is ready to be written. */
export interface Backup {
  manifest: BackupManifest;
  /** Bytes of all that is in it, before it is compressed. */
  bytes: number;
  /**
   * Writes it as one ZIP, film by film; takes away what was laid aside for it. @param gone ends it;
   * @param done told the bytes that are written
   */
  stream(gone?: AbortSignal, done?: (bytes: number) => void): ReadableStream<Uint8Array>;
}

/** The name under which it is saved. */
export const backupName = (at: Date): string => `kingfisher-${at.toISOString().slice(0, 10)}.zip`;

/**
 * Lays the rows of one instant aside and counts the files: what is saved meanwhile is not in it.
 */
export async function openBackup(db: Db): Promise<Backup> {
  const aside = under(dataDir(), "tmp", `backup-${randomUUID()}`);
  await mkdir(aside, { recursive: true });
  const end = () => rm(aside, { recursive: true, force: true });
  const fileOf = (table: string) => under(aside, `${table}.ndjson`);
  try {
    const found = await db.transaction(
      async (tx) => {
        const tables: BackupManifest["tables"] = [];
        for (const name of TABLES) tables.push({ name, ...(await dump(tx, name, fileOf(name))) });
        const films = await tx
          .select({ sha256: clip.sha256 })
          .from(clip)
          .where(eq(clip.kept, true));
        const tracks = await tx.selectDistinct({ sha256: rep.trackSha256 }).from(rep);
        return { tables, clips: films.map((f) => f.sha256), tracks: tracks.map((t) => t.sha256) };
      },
      { isolationLevel: "repeatable read" },
    );
    const sized = async (kind: BlobKind, names: readonly string[]) =>
      (
        await Promise.all(
          names.map(async (sha256) => ({ sha256, bytes: await blobSize(kind, sha256) })),
        )
      ).flatMap(({ sha256, bytes }) => (bytes === null ? [] : [{ sha256, bytes }]));
    const manifest: BackupManifest = {
      format: "kingfisher-backup",
      version: 1,
      schema: schemaNow(),
      at: new Date().toISOString(),
      tables: found.tables,
      clips: await sized("clips", found.clips),
      tracks: await sized("tracks", found.tracks),
    };
    const bytes = [...manifest.tables, ...manifest.clips, ...manifest.tracks].reduce(
      (sum, f) => sum + f.bytes,
      0,
    );
    return { manifest, bytes, stream: (gone, done) => zipped(manifest, fileOf, end, gone, done) };
  } catch (error) {
    await end();
    throw error;
  }
}

async function dump(
  tx: Db,
  table: string,
  file: string,
): Promise<{ rows: number; bytes: number; sha256: string }> {
  const hash = createHash("sha256");
  let [rows, bytes] = [0, 0];
  await pipeline(async function* () {
    for await (const some of readRows(tx, table)) {
      const text = Buffer.from(`${some.join("\n")}\n`);
      hash.update(text);
      rows += some.length;
      bytes += text.length;
      yield text;
    }
  }, createWriteStream(file));
  return { rows, bytes, sha256: hash.digest("hex") };
}

function zipped(
  manifest: BackupManifest,
  rowsFile: (table: string) => string,
  end: () => Promise<void>,
  signal?: AbortSignal,
  done?: (bytes: number) => void,
): ReadableStream<Uint8Array> {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const zip = new ZipWriter(writable, { zip64: true, lastModDate: new Date(manifest.at) });
  void (async () => {
    let written = 0;
    const put = async (name: string, bytes: number, open: () => Readable, level: number) => {
      signal?.throwIfAborted();
      const from = open();
      try {
        await zip.add(name, Readable.toWeb(from) as ReadableStream<Uint8Array>, {
          level,
          ...(signal ? { signal } : {}),
        });
      } finally {
        from.destroy();
      }
      done?.((written += bytes));
    };
    await zip.add("backup.json", new TextReader(`${JSON.stringify(manifest)}\n`));
    for (const t of manifest.tables)
      await put(`rows/${t.name}.ndjson`, t.bytes, () => createReadStream(rowsFile(t.name)), 6);
    for (const t of manifest.tracks)
      await put(`tracks/${t.sha256}`, t.bytes, () => readBlob("tracks", t.sha256), 6);
    // Film is compressed as it is.
    for (const c of manifest.clips)
      await put(`clips/${c.sha256}`, c.bytes, () => readBlob("clips", c.sha256), 0);
    await zip.close();
  })()
    .catch((error: unknown) => writable.abort(error).catch(() => undefined))
    .finally(end);
  return readable;
}
