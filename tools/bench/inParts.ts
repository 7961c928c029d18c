import { fork } from "node:child_process";
import { availableParallelism } from "node:os";

const PART = "BENCH_PART";

/**
 * Does the jobs of a bench in as many processes as there are processors: each runs the same script
 * and does its share.
 *
 * @returns what came of every job, in their order; null in a process that only does its share
 */
export async function inParts<Job, Row>(
  jobs: readonly Job[],
  work: (job: Job, place: number) => Row | Promise<Row>,
): Promise<Row[] | null> {
  const own = process.env[PART];
  if (own !== undefined) {
    const [part, of] = own.split("/").map(Number) as [number, number];
    for (const [place, job] of jobs.entries())
      if (place % of === part) process.send!([place, await work(job, place)]);
    process.disconnect();
    return null;
  }
  const parts = Math.min(availableParallelism(), jobs.length);
  const rows: Row[] = [];
  await Promise.all(
    Array.from({ length: parts }, (_, i) => {
      const child = fork(process.argv[1]!, process.argv.slice(2), {
        env: { ...process.env, [PART]: `${i}/${parts}` },
      });
      child.on("message", ([place, row]: [number, Row]) => (rows[place] = row));
      return new Promise<void>((done, failed) =>
        child.on("exit", (code) => (code === 0 ? done() : failed(new Error(`part ${i}: ${code}`)))),
      );
    }),
  );
  return rows;
}
