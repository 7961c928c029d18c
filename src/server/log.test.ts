import { mkdtempSync, readFileSync, statSync, truncateSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { beforeEach, expect, it, vi } from "vitest";

let dir: string;
beforeEach(() => {
  dir = mkdtempSync(path.join(tmpdir(), "kingfisher-log-"));
  vi.stubEnv("KINGFISHER_DATA", dir);
  vi.resetModules();
});
const opened = async () => (await import("./log")).log();
const file = (name: string) => path.join(dir, "log", name);

it("writes a line for each thing, an error with its stack", async () => {
  (await opened()).error({ err: new Error("no room"), path: "/api/reps" }, "a request failed");
  const line: unknown = JSON.parse(readFileSync(file("server.ndjson"), "utf8").trim());
  expect(line).toMatchObject({ msg: "a request failed", path: "/api/reps" });
  expect(line).toHaveProperty("err.stack", expect.stringContaining("log.test.ts"));
});

it("puts a large log aside at the next start, and begins anew", async () => {
  (await opened()).info("first");
  truncateSync(file("server.ndjson"), 2_000_001);
  vi.resetModules();
  (await opened()).info("second");
  expect(statSync(file("server.before.ndjson")).size).toBe(2_000_001);
  expect(readFileSync(file("server.ndjson"), "utf8")).toContain("second");
});

it("stops nothing where the data directory can't be written", async () => {
  writeFileSync(path.join(dir, "file"), "");
  vi.stubEnv("KINGFISHER_DATA", path.join(dir, "file"));
  const log = await opened();
  expect(() => log.debug("not at this level")).not.toThrow();
  expect(log.isLevelEnabled("error")).toBe(true);
});
