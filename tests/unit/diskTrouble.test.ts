import { spawnSync } from "node:child_process";
import { chmodSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";

import { afterAll, expect, it } from "vitest";
import { closeDatabase, database } from "@/server/db/open";
import { measure, rep } from "@/server/db/schema";

const dirs: string[] = [];
const own = () => {
  dirs.push(mkdtempSync(path.join(os.tmpdir(), "kingfisher-disk-")));
  return dirs.at(-1);
};
const before = process.env.KINGFISHER_DATA;
afterAll(async () => {
  await closeDatabase();
  dirs.forEach((d) => rmSync(d, { recursive: true, force: true }));
  process.env.KINGFISHER_DATA = before;
});

/**
 * Runs the saver in a shell that was given a limit first; what it was acknowledged, and what it
 * said at last.
 */
function saver(shell: string, data: string, user?: string) {
  const command = `${shell}; exec ${process.execPath} --import tsx tests/unit/writeUntilTrouble.ts`;
  const run = spawnSync(
    user ? "runuser" : "bash",
    user ? ["-u", user, "--", "bash", "-c", command] : ["-c", command],
    { encoding: "utf8", env: { ...process.env, KINGFISHER_DATA: data, HOME: os.tmpdir() } },
  );
  const lines = run.stdout.split("\n").filter(Boolean);
  return {
    ids: lines.filter((l) => l.startsWith("kept ")).map((l) => l.slice(5)),
    said: lines.find((l) => l.startsWith("trouble ")) ?? run.stderr,
  };
}

it(
  "a full disk is said, and what was acknowledged before stands",
  { timeout: 120_000 },
  async () => {
    const data = own();
    // No file larger than so many blocks of 1,024 bytes: the database finds room, films of 24 MB do
    // not.
    const { ids, said } = saver("ulimit -f 20000", data);
    expect(said).toContain("The disk is full. Free some space");
    process.env.KINGFISHER_DATA = data;
    const kept = new Set(
      (await (await database()).select({ id: rep.id }).from(rep)).map((r) => r.id),
    );
    expect(ids.length).toBeGreaterThan(0);
    expect(ids.filter((id) => !kept.has(id))).toEqual([]);
    expect(await (await database()).$count(measure)).toBeGreaterThan(20 * ids.length);
    await closeDatabase();
  },
);

it("a directory that can't be written is said", { timeout: 60_000 }, () => {
  const data = own();
  chmodSync(data, 0o555);
  const { ids, said } = saver("true", data, process.getuid?.() === 0 ? "nobody" : undefined);
  expect(ids).toEqual([]);
  expect(said).toContain("The data directory can't be written.");
});
