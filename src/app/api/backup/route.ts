import { z } from "zod";
import { jobs, remember, type JobState } from "@/server/backup/jobs";
import { backupName, openBackup } from "@/server/backup/writeBackup";
import { database } from "@/server/db/open";
import { storeTrouble } from "@/server/storeTrouble";
import { api, head } from "@/server/http/api";
import { lazyStream } from "@/server/http/lazyStream";

const job = z.uuid();
const FULL =
  "The disk is full: while a backup is written its rows lie aside. Free some space, then save it again.";

/**
 * All that is kept as one ZIP, written while it is sent; with `job` its progress can be asked for.
 */
export const GET = api(async (request) => {
  const asked = new URL(request.url).searchParams;
  const progress = asked.get("progress");
  if (progress !== null)
    return Response.json(
      jobs().get(progress) ??
        ({ state: "waiting", done: 0, of: 0, message: null } satisfies JobState),
    );
  const named = job.safeParse(asked.get("job"));
  const state: JobState = { state: "running", done: 0, of: 0, message: null };
  if (named.success) remember(named.data, state);
  const stream = lazyStream(async (gone) => {
    gone.addEventListener("abort", () =>
      Object.assign(state, {
        state: "failed",
        message: storeTrouble(gone.reason)?.status === 507 ? FULL : "The backup was stopped.",
      } satisfies Partial<JobState>),
    );
    const backup = await openBackup(await database());
    state.of = backup.bytes;
    return backup.stream(gone, (done) =>
      Object.assign(state, { done, state: done >= state.of ? "done" : "running" }),
    );
  });
  return new Response(stream, {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="${backupName(new Date())}"`,
    },
  });
});

export const HEAD = head("application/zip");
