import { spawn } from "node:child_process";
import {
  cpSync,
  existsSync,
  mkdtempSync,
  mkdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import os from "node:os";
import path from "node:path";
import { sql } from "drizzle-orm";
import type { seeded } from "../../../src/core/maths/seeded";
import { blobSize } from "../../../src/server/blobs/blobs";
import { checkBlobs } from "../../../src/server/blobs/checkBlobs";
import { healBlobs } from "../../../src/server/blobs/heal";
import { drizzleOf, openPglite } from "../../../src/server/db/migrated";
import { closeDatabase, database } from "../../../src/server/db/open";
import { golfer } from "../../../src/server/db/schema";
import type { Db } from "../../../src/server/db/db";
import { rowsOf } from "../../../src/server/db/rowsOf";
import { letGo } from "../../../src/server/store/replace";
import { listStanding } from "../../../src/server/store/standing";
import { answers, BASE, kill, startSite, write, type Kept } from "./site";

type Random = ReturnType<typeof seeded>;
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));

/** What goes on when it is killed. */
export const WHILE = ["saving", "start", "backup", "restore", "removal", "migration"] as const;
const GOLFERS = ["wren", "sorrel"] as const;

export interface HttpKills {
  kills: number;
  acked: number;
  lost: string[];
  half: number;
  damagedFilms: number;
}

/** A site that was killed again and again on one directory; its data is looked at in the end. */
export async function killOverHttp(rounds: number, random: Random): Promise<HttpKills> {
  const root = mkdtempSync(path.join(os.tmpdir(), "kingfisher-kills-"));
  const dir = (process.env.KINGFISHER_DATA = path.join(root, "data"));
  const kept: Kept[] = [];
  try {
    const db = await database();
    for (const id of GOLFERS)
      await db.insert(golfer).values({ id, name: id, hand: "right", statureCm: 170, units: "cm" });
    await closeDatabase();
    for (let k = 0; k < rounds; k++) {
      const during = WHILE[k % WHILE.length]!;
      if (during === "migration") await whileMigrating(root, k, random);
      else if (during === "removal")
        await script(
          "tools/bench/kill/remove.ts",
          process.cwd(),
          "removing",
          6000 * random.uniform(),
        );
      else if (during === "start") {
        const site = startSite(dir);
        await wait(3000 * random.uniform());
        await kill(site);
      } else await whileServing(during, kept, random);
    }
    return { kills: rounds, ...(await look(dir, kept)) };
  } finally {
    await closeDatabase();
    rmSync(root, { recursive: true, force: true });
  }
}

/** Two golfers' reps come in; a backup goes out, or one comes in, and then it is killed. */
async function whileServing(
  during: "saving" | "backup" | "restore",
  kept: Kept[],
  random: Random,
): Promise<void> {
  const site = startSite(process.env.KINGFISHER_DATA!);
  await answers(site);
  const stop = new AbortController();
  const backup =
    during === "restore"
      ? new Uint8Array(await (await fetch(`${BASE}/api/backup`)).arrayBuffer())
      : null;
  const writers = GOLFERS.map((g) => write(g, kept, stop.signal));
  if (during === "backup")
    void fetch(`${BASE}/api/backup`)
      .then((r) => r.arrayBuffer())
      .catch(() => undefined);
  if (backup) {
    const job = crypto.randomUUID();
    await fetch(`${BASE}/api/restore/${job}?at=0`, { method: "PUT", body: backup });
    await fetch(`${BASE}/api/restore/${job}`, { method: "POST" });
  }
  await wait((during === "restore" ? 15_000 : 3000) * random.uniform());
  await kill(site);
  stop.abort();
  await Promise.all(writers);
}

const RUN = path.resolve("bin/run.mjs");

/** Runs a script in a directory, and kills it so long after it said a word. */
async function script(file: string, cwd: string, word: string, ms: number): Promise<void> {
  const child = spawn(process.execPath, [RUN, file], {
    cwd,
    env: process.env,
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise<void>((said) => {
    child.stdout.on("data", (chunk) => String(chunk).includes(word) && said());
    child.once("close", () => said());
  });
  if (child.exitCode !== null) throw new Error(`${file} ended by itself (${child.exitCode})`);
  await wait(ms);
  await kill(child);
}

/** Starts with one more migration than before, and is killed while it is brought in. */
async function whileMigrating(root: string, k: number, random: Random): Promise<void> {
  const cwd = path.join(root, "newer");
  if (!existsSync(cwd)) {
    mkdirSync(cwd);
    for (const name of ["src", "node_modules", "tools", "demo", "tsconfig.json", "package.json"])
      symlinkSync(path.resolve(name), path.join(cwd, name));
    cpSync("drizzle", path.join(cwd, "drizzle"), { recursive: true });
  }
  const journal = path.join(cwd, "drizzle/meta/_journal.json");
  const list = JSON.parse(readFileSync(journal, "utf8")) as {
    entries: { idx: number; version: string; when: number; tag: string; breakpoints: boolean }[];
  };
  const last = list.entries.at(-1);
  const tag = `9${String(k).padStart(3, "0")}_nothing`;
  list.entries.push({ ...last, idx: last.idx + 1, when: last.when + 1, tag });
  writeFileSync(path.join(cwd, `drizzle/${tag}.sql`), `comment on table golfer is 'round ${k}';`);
  writeFileSync(journal, JSON.stringify(list));
  const child = spawn(process.execPath, [RUN, "tools/bench/kill/migrate.ts"], {
    cwd,
    env: process.env,
    stdio: ["ignore", "ignore", "inherit"],
  });
  await wait(1000 + 4000 * random.uniform());
  await kill(child);
}

interface Found {
  films: Map<string, string>;
  overruled: Set<string>;
}

async function found(db: Db): Promise<Found> {
  const rows = rowsOf<{ id: string; golfer: string; own: string | null }>(
    await db.execute(
      sql`select r.id, b.golfer_id as golfer, v.result as own from rep r join bout b on b.id = r.bout_id left join verdict v on v.rep_id = r.id and v.by = 'golfer'`,
    ),
  );
  return {
    films: new Map(rows.map((r) => [r.id, r.golfer])),
    overruled: new Set(rows.filter((r) => r.own === "fail").map((r) => r.id)),
  };
}

/**
 * Every acknowledged rep is there as its golfer's, or in what stands beside after a restore; every
 * film's bytes are its own.
 */
async function look(dir: string, kept: readonly Kept[]): Promise<Omit<HttpKills, "kills">> {
  const db = await database();
  await healBlobs(db);
  const now = await found(db);
  const beside: Found[] = [];
  for (const s of listStanding(dir)) {
    const client = await openPglite(path.join(s.dir, "db"));
    beside.push(await found(await drizzleOf(client)));
    await client.close();
  }
  const lost = kept
    .filter((k) => {
      const at = [now, ...beside].find(
        (f) => f.films.get(k.rep) === k.golfer && (!k.overruled || f.overruled.has(k.rep)),
      );
      return !at;
    })
    .map((k) => `${k.golfer}'s rep ${k.rep}`);
  for (const k of kept)
    if ((await blobSize("clips", k.film)) === null) lost.push(`the film ${k.film} of ${k.rep}`);
  const whole =
    rowsOf<{ n: number }>(
      await db.execute(
        sql`select max(c)::int as n from (select count(*) as c from measure group by rep_id) m`,
      ),
    )[0]?.n ?? 0;
  const half = rowsOf<{ n: number }>(
    await db.execute(
      sql`select count(*)::int as n from rep r where (select count(*) from measure m where m.rep_id = r.id) <> ${whole} or not exists (select 1 from verdict v where v.rep_id = r.id and v.by = 'computed')`,
    ),
  )[0]!.n;
  const damaged = await checkBlobs(db);
  for (const s of listStanding(dir)) await letGo(s.id);
  return { acked: kept.length, lost, half, damagedFilms: damaged.length };
}
