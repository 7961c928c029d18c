import { execFileSync, spawnSync } from "node:child_process";
import { copyFileSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, it } from "vitest";
import { analysisJson } from "@/core/formats/analysisJson";

const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-cli-"));
const GOOD = path.join(dir, "good.mp4");
execFileSync("ffmpeg", [
  "-v",
  "error",
  "-y",
  "-t",
  "1.3",
  "-i",
  "demo/clips/double-step-good.mp4",
  "-r",
  "15",
  GOOD,
]);
const run = (...args: string[]) =>
  spawnSync(process.execPath, ["bin/kingfisher.mjs", ...args], {
    encoding: "utf8",
    timeout: 100_000,
  });
const file = (name: string, change: (bytes: Buffer) => Buffer) => {
  const to = path.join(dir, name);
  writeFileSync(to, change(readFileSync(GOOD)));
  return to;
};

it(
  "one bad clip never keeps the next ones from being read, and a good run says nothing but its result",
  { timeout: 120_000 },
  () => {
    const bad = [
      file("cut.mp4", (b) => b.subarray(0, b.length >> 1)),
      file("text.mp4", () => Buffer.from("hello")),
      path.join(dir, "none.mp4"),
      dir,
    ];
    const { stdout, stderr, status } = run("analyse", ...bad, GOOD, "--stature", "178", "--json");
    expect(status).toBe(1);
    const lines = stdout.trim().split("\n");
    expect(lines).toHaveLength(1);
    expect(analysisJson.parse(JSON.parse(lines[0]!)).clip).toBe("good.mp4");
    expect(
      stderr
        .trim()
        .split("\n")
        .map((l) => l.replace(/\. .*/, ".")),
    ).toEqual([
      expect.stringMatching(/^cut\.mp4: The file ends too early/),
      "text.mp4: This file is not a video.",
      "none.mp4: There is no such file.",
      expect.stringMatching(/: That is a directory: give the clips in it\.$/),
    ]);
    expect(run("analyse", GOOD, "--stature", "178")).toMatchObject({ status: 0, stderr: "" });
  },
);

it("a reader that is slow gets all of it", { timeout: 60_000 }, () => {
  const track = path.join(dir, "a.track");
  copyFileSync("demo/tracks/double-step-good.track", track);
  const text = spawnSync(
    "sh",
    [
      "-c",
      `"$0" bin/kingfisher.mjs judge "$1" "$1" "$1" --stature 170 --json --series | (sleep 5; cat)`,
      process.execPath,
      track,
    ],
    { encoding: "utf8", maxBuffer: 50e6 },
  ).stdout;
  expect(text.length).toBeGreaterThan(2 * 65_536);
  expect(text.trim().split("\n")).toHaveLength(3);
  for (const line of text.trim().split("\n"))
    expect(analysisJson.parse(JSON.parse(line)).reps.length).toBe(1);
});

it("no control character of a name reaches the terminal", { timeout: 60_000 }, () => {
  const name = "a\u001b[2Jb\u009bc\nd.mp4";
  const evil = file(name, () => Buffer.from("hello"));
  for (const args of [
    ["analyse", evil, "--stature", "178"],
    ["analyse", evil, "--stature", "\u001b[2J"],
  ]) {
    const { stdout, stderr } = run(...args);
    expect(stderr).not.toBe("");
    expect((stdout + stderr).replaceAll("\n", "")).not.toMatch(/[\u0000-\u001f\u007f-\u009f]/);
  }
});

it("wrong flags end with 2 and say which", { timeout: 60_000 }, () => {
  for (const [args, why] of [
    [["analyse", GOOD], /--stature/],
    [["analyse", GOOD, "--stature", "9"], /give 120 to 220 cm/],
    [["analyse", GOOD, "--stature", "178", "--keep-track", "/nowhere"], /no directory/],
  ] as const) {
    const { status, stderr } = run(...args);
    expect(stderr).toMatch(why);
    expect(status).toBe(2);
  }
  expect(run("--help")).toMatchObject({
    status: 0,
    stderr: "",
    stdout: expect.stringContaining("analyse"),
  });
});
