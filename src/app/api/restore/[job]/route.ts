import { Readable } from "node:stream";
import type { ReadableStream as WebStream } from "node:stream/web";
import { z } from "zod";
import { arrived, beginRestore, forget, jobs, takeIn } from "@/server/backup/jobs";
import { database } from "@/server/db/open";

type Context = { params: Promise<{ job: string }> };
const named = z.uuid();
const no = (message: string, status: number) => Response.json({ message }, { status });

/** How much has arrived, and how far the restoring is. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const job = named.safeParse((await params).job);
  return job.success ? Response.json({ bytes: await arrived(job.data), ...(jobs().get(job.data) ?? { state: "waiting", done: 0, of: 0, message: null }) }) : no("There is no such job.", 404);
}

/** A piece of the file, at its place: `?at=` the bytes before it. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const job = named.safeParse((await params).job);
  const at = z.coerce.number().int().nonnegative().safeParse(new URL(request.url).searchParams.get("at"));
  if (!job.success || !at.success || !request.body) return no("Say where the piece belongs.", 400);
  try {
    return Response.json({ bytes: await takeIn(job.data, at.data, Readable.fromWeb(request.body as unknown as WebStream)) });
  } catch (error) {
    if (error instanceof RangeError) return Response.json({ message: "A piece before this one is missing.", bytes: await arrived(job.data) }, { status: 409 });
    if ((error as NodeJS.ErrnoException).code === "ENOSPC") return no("The disk is full. Free some space, then go on.", 507);
    return no("The piece did not arrive whole. Send it again.", 500);
  }
}

/** Begins to restore what has arrived. */
export async function POST(_request: Request, { params }: Context): Promise<Response> {
  const job = named.safeParse((await params).job);
  if (!job.success || !(await arrived(job.data))) return no("Nothing has arrived.", 409);
  if (jobs().get(job.data)?.state !== "running") beginRestore(await database(), job.data);
  return new Response(null, { status: 202 });
}

/** Forgets what has arrived. */
export async function DELETE(_request: Request, { params }: Context): Promise<Response> {
  const job = named.safeParse((await params).job);
  if (job.success) await forget(job.data);
  return new Response(null, { status: 204 });
}
