import { createHash, randomUUID } from "node:crypto";
import { constants, createReadStream, createWriteStream } from "node:fs";
import { lstat, mkdir, open, readdir, rename, rm } from "node:fs/promises";
import path from "node:path";
import { Transform, type Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { dataDir, under } from "../dataDir";

/** Films and tracks as files named by the sha-256 of their bytes. */
export type BlobKind = "clips" | "tracks";

export class BlobMismatchError extends Error {
  override name = "BlobMismatchError";
}

const SHA256 = /^[0-9a-f]{64}$/;

/** @throws RangeError when the name is not a sha-256 in hex (and so could be a path) */
export function blobPath(kind: BlobKind, sha256: string): string {
  if (!SHA256.test(sha256)) throw new RangeError("a blob is named by 64 hexadecimal digits");
  return under(dataDir(), kind, sha256.slice(0, 2), sha256);
}

/** More came than may: what was written of it is gone. */
export class BlobTooLargeError extends Error {
  override name = "BlobTooLargeError";
}

/**
 * Stores a stream under the name it must hash to: written under a temporary name, flushed, checked,
 * renamed. Afterwards the file is whole or not there at all.
 *
 * @param most bytes
 * @throws BlobTooLargeError
 * @throws BlobMismatchError when the bytes do not hash to `sha256` (an upload cut short, say)
 */
export async function putBlob(
  kind: BlobKind,
  sha256: string,
  bytes: Readable,
  most = Infinity,
): Promise<void> {
  const final = blobPath(kind, sha256);
  await mkdir(path.dirname(final), { recursive: true });
  const part = `${final}.${randomUUID()}.part`;
  const hash = createHash("sha256");
  let size = 0;
  try {
    await pipeline(
      bytes,
      new Transform({
        transform(chunk: Buffer, _, done) {
          hash.update(chunk);
          size += chunk.length;
          done(size > most ? new BlobTooLargeError(`more than ${most} bytes came`) : null, chunk);
        },
      }),
      createWriteStream(part, { flush: true }),
    );
    if (hash.digest("hex") !== sha256)
      throw new BlobMismatchError(
        `the ${size} bytes that arrived are not the file that was announced`,
      );
    await rename(part, final);
    const folder = await open(path.dirname(final));
    await folder.sync().finally(() => folder.close());
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
}

/** A link in a blob's place may point anywhere: it is not followed. */
const NO_LINKS = constants.O_RDONLY | constants.O_NOFOLLOW;

/** Size of a stored blob in bytes, or null when it is not there. */
export async function blobSize(kind: BlobKind, sha256: string): Promise<number | null> {
  try {
    const found = await lstat(blobPath(kind, sha256));
    return found.isFile() ? found.size : null;
  } catch {
    return null;
  }
}

export const readBlob = (
  kind: BlobKind,
  sha256: string,
  range?: { start: number; end: number },
): Readable =>
  createReadStream(blobPath(kind, sha256), { ...range, flags: NO_LINKS as unknown as string });

/**
 * Names of all stored blobs of a kind; leftovers of writes that were broken off are removed on the
 * way, if none is going on (`clean`).
 */
export async function sweepBlobs(kind: BlobKind, clean = true): Promise<string[]> {
  const root = under(dataDir(), kind);
  const names: string[] = [];
  for (const entry of await readdir(root, { recursive: true, withFileTypes: true }).catch(
    () => [],
  )) {
    if (!entry.isFile()) continue;
    if (clean && entry.name.endsWith(".part"))
      await rm(under(entry.parentPath, entry.name), { force: true });
    else if (SHA256.test(entry.name)) names.push(entry.name);
  }
  return names;
}
