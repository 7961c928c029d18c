import { createWriteStream } from "node:fs";
import { mkdir, rm, stat, truncate } from "node:fs/promises";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { dataDir, under } from "../dataDir";
import { database } from "../db/open";
import { healBlobs } from "../blobs/heal";
import { BackupError } from "./backupError";
import { restoreBackup } from "./restoreBackup";

/** How far a backup or a restore is. */
export interface JobState {
  kind?: "restore";
  state: "waiting" | "running" | "done" | "failed";
  done: number;
  of: number;
  message: string | null;
}

/** Known to every part of the server, whichever file asks. */
const holder = globalThis as { __kingfisherJobs?: Map<string, JobState> };
export const jobs = (): Map<string, JobState> => (holder.__kingfisherJobs ??= new Map());

/** How a job is asked for; jobs of before are forgotten when there are many. */
export function remember(job: string, state: JobState): void {
  const all = jobs();
  all.set(job, state);
  for (const [old, { state }] of all)
    if (all.size > MOST_JOBS && state !== "running") all.delete(old);
}
const MOST_JOBS = 50;

const JOB = /^[0-9a-f-]{36}$/;

/**
 * Where a backup that is brought in is put together. @throws RangeError for a name that could be a
 * path
 */
function incoming(job: string): string {
  if (!JOB.test(job)) throw new RangeError("a job is named by a UUID");
  return under(dataDir(), "tmp", `incoming-${job}.zip`);
}

/** Bytes that have arrived. */
export const arrived = async (job: string): Promise<number> =>
  stat(incoming(job)).then(
    (s) => s.size,
    () => 0,
  );

/**
 * Puts a piece on at its place; what had been written beyond it is written anew. @throws RangeError
 * when a piece before it is missing
 */
export async function takeIn(job: string, at: number, bytes: Readable): Promise<number> {
  await mkdir(path.dirname(incoming(job)), { recursive: true });
  const size = await arrived(job);
  if (at > size) throw new RangeError(`${size} bytes have arrived`);
  if (at < size) await truncate(incoming(job), at);
  await pipeline(bytes, createWriteStream(incoming(job), { flags: "a" }));
  return arrived(job);
}

/** Begins to restore what has arrived; how far it is, is asked for. */
export function beginRestore(job: string): void {
  const state: JobState = { kind: "restore", state: "running", done: 0, of: 0, message: null };
  remember(job, state);
  void restoreBackup(incoming(job), (done, of) => Object.assign(state, { done, of }))
    .then(
      async () => {
        await healBlobs(await database());
        state.state = "done";
      },
      (error: unknown) =>
        Object.assign(state, {
          state: "failed",
          message:
            error instanceof BackupError
              ? error.message
              : "It could not be read. Nothing was changed.",
        } satisfies Partial<JobState>),
    )
    .finally(() => forget(job));
}

/** Takes away what had arrived. */
export const forget = (job: string): Promise<void> => rm(incoming(job), { force: true });
