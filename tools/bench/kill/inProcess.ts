import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { sql } from "drizzle-orm";
import { seeded } from "../../../src/core/maths/seeded";
import { blobSize } from "../../../src/server/blobs/blobs";
import { healBlobs } from "../../../src/server/blobs/heal";
import { closeDatabase, database } from "../../../src/server/db/open";
import { rowsOf } from "../../../src/server/db/rowsOf";

/**
 * The first save of a process takes about a second, others half of it: a kill falls anywhere in the
 * first few.
 */
const LATEST_MS = 3000;
interface Acknowledged {
  ready?: boolean;
  saved?: string;
  film?: string;
  corrected?: string;
  binned?: string;
}

export interface Kills {
  kills: number;
  acked: number;
  lost: number;
  half: number;
  miscounted: number;
  mended: number;
  orphans: number;
}

async function once(random: ReturnType<typeof seeded>): Promise<Acknowledged[]> {
  const child = spawn(process.execPath, ["bin/run.mjs", "tools/bench/kill/saver.ts"], {
    env: process.env,
    stdio: ["ignore", "pipe", "inherit"],
  });
  let text = "";
  await new Promise<void>((end, failed) => {
    child.stdout.on("data", (chunk) => {
      text += String(chunk);
      if (/"ready":true/.test(String(chunk)))
        setTimeout(() => child.kill("SIGKILL"), random.uniform() * LATEST_MS);
    });
    child.on("exit", (code, signal) =>
      signal === "SIGKILL" ? end() : failed(new Error(`the saver ended by itself (${code})`)),
    );
  });
  // The last line may have been cut.
  return text
    .split("\n")
    .slice(0, -1)
    .map((l) => JSON.parse(l) as Acknowledged);
}

/**
 * Reps are saved, corrected and binned by a process that gets kill -9 at a random moment, again and
 * again on the same data.
 */
export async function killInProcess(kills: number): Promise<Kills> {
  const dir = (process.env.KINGFISHER_DATA = mkdtempSync(
    path.join(os.tmpdir(), "kingfisher-kill-"),
  ));
  const random = seeded(9);
  const acked: Acknowledged[] = [];
  try {
    for (let k = 0; k < kills; k++) {
      acked.push(...(await once(random)));
      if (k % 20 === 19)
        console.log(`${k + 1} kills, ${acked.filter((a) => a.saved).length} reps acknowledged`);
    }
    const db = await database();
    const rows = async <T>(query: string) => rowsOf<T>(await db.execute(sql.raw(query)));
    const healed = await healBlobs(db);
    const again = await healBlobs(db);
    const reps = new Map(
      (
        await rows<{
          id: string;
          removed: boolean;
          measures: number;
          verdicts: number;
          own: string | null;
          kept: boolean;
          sha: string;
        }>(`
      select r.id, r.removed_at is not null as removed, (select count(*)::int from measure m where m.rep_id = r.id) as measures,
        (select count(*)::int from verdict v where v.rep_id = r.id and v.by = 'computed') as verdicts, (select result from verdict v where v.rep_id = r.id and v.by = 'golfer') as own, c.kept, c.sha256 as sha
      from rep r join clip c on c.sha256 = r.clip_sha256`)
      ).map((r) => [r.id, r]),
    );
    const whole = [...reps.values()][0]?.measures ?? 0;
    const lost: string[] = [];
    for (const a of acked) {
      const rep = reps.get(a.saved ?? a.corrected ?? a.binned ?? "");
      if (a.ready) continue;
      if (!rep || rep.measures !== whole || rep.verdicts !== 1) lost.push(JSON.stringify(a));
      else if (
        a.saved &&
        (!rep.kept || rep.sha !== a.film || (await blobSize("clips", rep.sha)) === null)
      )
        lost.push(JSON.stringify(a));
      else if ((a.corrected && rep.own !== "fail") || (a.binned && !rep.removed))
        lost.push(JSON.stringify(a));
    }
    const half = [...reps.values()].filter((r) => r.measures !== whole || r.verdicts !== 1).length;
    const miscounted = (
      await rows<{ n: number }>(
        "select count(*)::int as n from bout b where b.done <> (select count(*) from rep r " +
          "where r.bout_id = b.id and r.removed_at is null)",
      )
    )[0]!.n;
    lost.slice(0, 5).forEach((l) => console.log(`lost: ${l}`));
    return {
      kills,
      acked: acked.filter((a) => !a.ready).length,
      lost: lost.length,
      half,
      miscounted,
      mended: healed.orphans,
      orphans: again.orphans + again.lostFilms,
    };
  } finally {
    await closeDatabase();
    rmSync(dir, { recursive: true, force: true });
  }
}
