import { Readable } from "node:stream";
import type { ReadableStream as WebStream } from "node:stream/web";
import { BlobMismatchError, blobPath, blobSize, putBlob, readBlob, type BlobKind } from "../blobs/blobs";
import { storeTrouble } from "../storeTrouble";

type Context = { params: Promise<{ sha256: string }> };

/** PUT and GET (with ranges) of content-addressed files; nothing is answered 201 before it is whole on disk. */
export function blobRoute(kind: BlobKind, type: string) {
  const bad = (message: string, status: number) => Response.json({ message }, { status });
  return {
    async PUT(request: Request, { params }: Context): Promise<Response> {
      const { sha256 } = await params;
      try {
        blobPath(kind, sha256);
      } catch (error) {
        return bad((error as Error).message, 400);
      }
      if ((await blobSize(kind, sha256)) !== null) return new Response(null, { status: 200 });
      if (!request.body) return bad("there was nothing in the request", 400);
      try {
        await putBlob(kind, sha256, Readable.fromWeb(request.body as unknown as WebStream));
        return new Response(null, { status: 201 });
      } catch (error) {
        if (error instanceof BlobMismatchError) return bad(`${error.message}. Send it again.`, 422);
        const trouble = storeTrouble(error);
        return bad(trouble?.message ?? "The file could not be stored. Send it again.", trouble?.status ?? 500);
      }
    },
    async GET(request: Request, { params }: Context): Promise<Response> {
      const { sha256 } = await params;
      const size = /^[0-9a-f]{64}$/.test(sha256) ? await blobSize(kind, sha256) : null;
      if (size === null) return bad("there is no such file", 404);
      const headers = { "content-type": type, "accept-ranges": "bytes", "cache-control": "private, max-age=31536000, immutable" };
      const asked = /^bytes=(\d*)-(\d*)$/.exec(request.headers.get("range") ?? "");
      if (!asked) return new Response(Readable.toWeb(readBlob(kind, sha256)) as unknown as BodyInit, { headers: { ...headers, "content-length": String(size) } });
      const start = asked[1] ? Number(asked[1]) : Math.max(0, size - Number(asked[2]));
      const end = asked[1] && asked[2] ? Math.min(Number(asked[2]), size - 1) : size - 1;
      if (start > end || start >= size) return new Response(null, { status: 416, headers: { "content-range": `bytes */${size}` } });
      return new Response(Readable.toWeb(readBlob(kind, sha256, { start, end })) as unknown as BodyInit, {
        status: 206,
        headers: { ...headers, "content-range": `bytes ${start}-${end}/${size}`, "content-length": String(end - start + 1) },
      });
    },
  };
}
