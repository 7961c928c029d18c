import { spawnSync } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, it } from "vitest";

/** Debian keeps the server's programs here, by version. */
const ROOT = "/usr/lib/postgresql";
const version = existsSync(ROOT)
  ? readdirSync(ROOT).sort((a, b) => Number(b) - Number(a))[0]
  : undefined;
const bin = (name: string) => path.join(ROOT, version ?? "", "bin", name);
if (!version)
  console.warn(
    "PostgreSQL's server is not installed (Debian: apt-get install postgresql): the store is tested on the built-in one only.",
  );

/** The server refuses to run as root. */
const asNobody = (command: string, args: string[]) =>
  process.getuid?.() === 0
    ? spawnSync("runuser", ["-u", "nobody", "--", command, ...args], { encoding: "utf8" })
    : spawnSync(command, args, { encoding: "utf8" });

it.skipIf(!version || process.env.KINGFISHER_TEST_PG !== undefined)(
  "the store's tests pass on a PostgreSQL server",
  { timeout: 300_000 },
  () => {
    const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-pg-"));
    chmodSync(dir, 0o777);
    const data = path.join(dir, "data");
    const port = 54_000 + (process.pid % 1000);
    try {
      const made = asNobody(bin("initdb"), [
        "-D",
        data,
        "-U",
        "tester",
        "-A",
        "trust",
        "-E",
        "UTF8",
        "--no-sync",
      ]);
      expect(made.status, made.stderr).toBe(0);
      const started = asNobody(bin("pg_ctl"), [
        "-D",
        data,
        "-w",
        "-l",
        path.join(dir, "log"),
        "-o",
        `-p ${port} -k ${dir} -h 127.0.0.1`,
        "start",
      ]);
      expect(started.status, started.stderr).toBe(0);
      const run = spawnSync(
        "npx",
        ["vitest", "run", "tests/unit/store.test.ts", "tests/unit/backup.test.ts"],
        {
          encoding: "utf8",
          env: {
            ...process.env,
            KINGFISHER_TEST_PG: `postgres://tester@127.0.0.1:${port}/postgres`,
            NO_COLOR: "1",
          },
        },
      );
      expect(run.status, run.stdout + run.stderr).toBe(0);
    } finally {
      asNobody(bin("pg_ctl"), ["-D", data, "-m", "immediate", "stop"]);
      rmSync(dir, { recursive: true, force: true });
    }
  },
);
