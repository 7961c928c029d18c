import { Readable } from "node:stream";
import { z } from "zod";
import { LARGEST_CLIP } from "../../vision/decode";
import {
  BlobMismatchError,
  BlobTooLargeError,
  blobSize,
  putBlob,
  readBlob,
  type BlobKind,
} from "../blobs/blobs";
import { isWhole, putAside } from "../blobs/checkBlobs";
import { database } from "../db/open";
import { ownBlob } from "../golfers/whose";
import { UserError } from "../userError";
import { api, ownApi } from "./api";

const hash = z.string().regex(/^[0-9a-f]{64}$/);
interface Names {
  sha256: string;
}

/**
 * PUT, HEAD and GET (with ranges) of content-addressed files: nothing is answered 201 before it is
 * whole on disk, and only who has a rep of a film is shown it.
 */
export function blobRoute(kind: BlobKind, type: string) {
  const PUT = api<Names>(async (request, { sha256 }) => {
    if (!hash.safeParse(sha256).success)
      throw new UserError("A file is named by 64 hexadecimal digits.");
    if ((await blobSize(kind, sha256)) !== null) {
      if (await isWhole(kind, sha256)) return new Response(null, { status: 200 });
      await putAside(await database(), kind, sha256);
    }
    if (!request.body) throw new UserError("There was nothing in the request.");
    if (Number(request.headers.get("content-length") ?? 0) > LARGEST_CLIP) throw tooLarge();
    try {
      await putBlob(kind, sha256, Readable.fromWeb(request.body), LARGEST_CLIP);
      return new Response(null, { status: 201 });
    } catch (error) {
      if (error instanceof BlobTooLargeError) throw tooLarge();
      if (error instanceof BlobMismatchError)
        throw new UserError(`${error.message}. Send it again.`, 422);
      if (cutShort(error))
        throw new UserError("The file did not arrive whole. Send it again.", 422);
      throw error;
    }
  });

  /** The file's size, if it is there and who practises here has a rep of it. */
  const found = ownApi<Names>(async ({ request, db, golfer }, { sha256 }) => {
    const own = hash.safeParse(sha256).success ? await ownBlob(db, golfer.id, kind, sha256) : null;
    const size = own ? await blobSize(kind, sha256) : null;
    if (!own || size === null) throw new UserError("There is no such file.", 404);
    if (own.bytes !== null && own.bytes !== size && !(await isWhole(kind, sha256))) {
      await putAside(db, kind, sha256);
      throw new UserError(
        "This film was damaged on the disk. Read its clip again: the right one takes its place.",
        410,
      );
    }
    const headers = {
      "content-type": type,
      "accept-ranges": "bytes",
      "cache-control": "private, max-age=31536000, immutable",
    };
    const send = (range?: { start: number; end: number }) =>
      request.method === "HEAD"
        ? null
        : (Readable.toWeb(readBlob(kind, sha256, range)) as ReadableStream);
    const asked = rangeOf(request.headers.get("range"), size);
    if (asked === "none")
      return new Response(send(), { headers: { ...headers, "content-length": String(size) } });
    if (asked === "outside")
      return new Response(null, { status: 416, headers: { "content-range": `bytes */${size}` } });
    const { start, end } = asked;
    return new Response(send(asked), {
      status: 206,
      headers: {
        ...headers,
        "content-range": `bytes ${start}-${end}/${size}`,
        "content-length": String(end - start + 1),
      },
    });
  });
  return { PUT, GET: found, HEAD: found };
}

const tooLarge = (): UserError =>
  new UserError("That is more than 2 GB. Trim the clip to the reps.", 413);

/** What of a file is asked for; what is no range is not there, as RFC 9110 has it (14.2). */
function rangeOf(
  header: string | null,
  size: number,
): { start: number; end: number } | "none" | "outside" {
  const [, from = "", to = ""] = /^bytes=(\d{0,15})-(\d{0,15})$/.exec(header ?? "") ?? [];
  if (!from && !to) return "none";
  const start = from ? Number(from) : Math.max(0, size - Number(to));
  const end = from && to ? Math.min(Number(to), size - 1) : size - 1;
  return start > end || start >= size ? "outside" : { start, end };
}

/** The client went away in the middle. */
const cutShort = (error: unknown): boolean =>
  error instanceof Error &&
  (error.name === "AbortError" ||
    ["ECONNRESET", "ERR_STREAM_PREMATURE_CLOSE", "UND_ERR_SOCKET", "ABORT_ERR"].includes(
      (error as NodeJS.ErrnoException).code ?? "",
    ) ||
    /aborted/i.test(error.message));
