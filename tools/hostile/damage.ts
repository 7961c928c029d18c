/**
 * Damages a store of a few reps in every way of damageStore.ts, at seeded places, and starts the
 * program's store on it. Each time it must either refuse in words or show all rows; then the last
 * good copy must be back by one command.
 */
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { cpSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { seeded } from "../../src/core/maths/seeded";
import { putBlob } from "../../src/server/blobs/blobs";
import { closeDatabase, openedStore } from "../../src/server/db/open";
import { golfer } from "../../src/server/db/schema";
import { makeCopy } from "../../src/server/store/copies";
import { saveReps } from "../../src/server/reps/saveReps";
import { DAMAGES } from "./damageStore";

export interface DamageCount {
  tried: number;
  /** Refused in words. */
  refused: number;
  /** All rows were there. */
  whole: number;
  /** Anything else: an error without words, or rows that were gone without a question. */
  wrong: string[];
  /**
   * The last good copy was brought back so often by one command; and not, where it should have
   * been.
   */
  back: number;
  notBack: string[];
}

const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");

/** A store with a few reps and a copy of it, closed. */
async function makeStore(dir: string): Promise<void> {
  process.env.KINGFISHER_DATA = dir;
  const { db, own } = await openedStore();
  await db
    .insert(golfer)
    .values({ id: "g", name: "Wren Halloway", hand: "right", statureCm: 170, units: "cm" });
  const track = readFileSync("demo/tracks/double-step-good.track");
  await putBlob("tracks", sha(track), Readable.from([track]));
  for (let k = 0; k < 3; k++) {
    const film = Buffer.from(`film ${k} `.repeat(2000));
    await putBlob("clips", sha(film), Readable.from([film]));
    await saveReps(db, {
      golferId: "g",
      clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
      trackSha256: sha(track),
      drill: "double-step",
      at: new Date(),
    });
  }
  await makeCopy(dir, own!);
  await closeDatabase();
}

const run = (dir: string, ...args: string[]) =>
  spawnSync(process.execPath, ["bin/run.mjs", ...args], {
    encoding: "utf8",
    timeout: 300_000,
    env: { ...process.env, KINGFISHER_DATA: dir },
  });

/**
 * @param kinds of damage that are tried; @param each seeded places of each; @param back the copy is
 * brought back after every so-manyth
 */
export async function tryDamages(
  kinds: readonly string[],
  each: number,
  back: number,
  seed: number,
): Promise<DamageCount> {
  const root = mkdtempSync(path.join(os.tmpdir(), "kingfisher-damage-"));
  const whole = path.join(root, "whole");
  const out: DamageCount = { tried: 0, refused: 0, whole: 0, wrong: [], back: 0, notBack: [] };
  try {
    await makeStore(whole);
    for (const name of kinds)
      for (let k = 0; k < each; k++) {
        const dir = path.join(root, "tried");
        rmSync(dir, { recursive: true, force: true });
        cpSync(whole, dir, { recursive: true });
        DAMAGES[name]!(path.join(dir, "db"), seeded(seed + 1000 * k + name.length));
        out.tried++;
        const started = run(dir, "tools/hostile/openStore.ts");
        const said =
          `${name}, place ${k}: ${started.signal ?? started.status} ` +
          `${started.stdout.trim().slice(0, 200)} ${started.stderr.trim().slice(0, 200)}`;
        if (started.status === 0 && started.stdout.trim() === "3 reps") out.whole++;
        else if (
          started.status === 4 &&
          /is not as it was: .*\n[^]*npm run check-data -- --bring-back/.test(started.stderr)
        )
          out.refused++;
        else out.wrong.push(said);
        if (out.tried % back !== 1) continue;
        out.back++;
        const mended = run(dir, "src/server/store/checkData.ts", "--bring-back");
        if (
          mended.status !== 0 ||
          run(dir, "tools/hostile/openStore.ts").stdout.trim() !== "3 reps"
        )
          out.notBack.push(
            `${name}, place ${k}: ${mended.stdout.slice(-300)} ${mended.stderr.slice(-300)}`,
          );
      }
  } finally {
    rmSync(root, { recursive: true, force: true });
  }
  return out;
}
