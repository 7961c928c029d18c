import { Readable } from "node:stream";
import { z } from "zod";
import { arrived, beginRestore, forget, jobs, takeIn } from "@/server/backup/jobs";
import { api, refusal } from "@/server/http/api";
import { UserError } from "@/server/userError";

interface Names {
  job: string;
}

const named = z.uuid();
function nameOf({ job }: Names): string {
  const name = named.safeParse(job);
  if (!name.success) throw new UserError("There is no such job.", 404);
  return name.data;
}

/** How much has arrived, and how far the restoring is. */
export const GET = api<Names>(async (_, names) => {
  const job = nameOf(names);
  return Response.json({
    bytes: await arrived(job),
    ...(jobs().get(job) ?? { state: "waiting", done: 0, of: 0, message: null }),
  });
});

/** A piece of the file, at its place: `?at=` the bytes before it. */
export const PUT = api<Names>(async (request, names) => {
  const job = nameOf(names);
  const at = z.coerce
    .number()
    .int()
    .nonnegative()
    .safeParse(new URL(request.url).searchParams.get("at"));
  if (!at.success || !request.body) return refusal("Say where the piece belongs.", 400);
  if (jobs().get(job)?.state === "running") return refusal("It is being read already.", 409);
  try {
    return Response.json({
      bytes: await takeIn(job, at.data, Readable.fromWeb(request.body)),
    });
  } catch (error) {
    if (error instanceof RangeError)
      return Response.json(
        { message: "A piece before this one is missing.", bytes: await arrived(job) },
        { status: 409 },
      );
    if ((error as NodeJS.ErrnoException).code === "ENOSPC")
      return refusal("The disk is full. Free some space, then go on.", 507);
    return refusal("The piece did not arrive whole. Send it again.", 422);
  }
});

/** Begins to restore what has arrived. */
export const POST = api<Names>(async (_, names) => {
  const job = nameOf(names);
  if (!(await arrived(job))) return refusal("Nothing has arrived.", 409);
  if (jobs().get(job)?.state === "running") return new Response(null, { status: 202 });
  if ([...jobs().values()].some((j) => j.kind === "restore" && j.state === "running"))
    return refusal("Another backup is being brought back. Wait until that is done.", 409);
  beginRestore(job);
  return new Response(null, { status: 202 });
});

/** Forgets what has arrived. */
export const DELETE = api<Names>(async (_, names) => {
  const job = nameOf(names);
  if (jobs().get(job)?.state !== "running") await forget(job);
  return new Response(null, { status: 204 });
});
