// npm test: installs what is needed and runs everything that CI runs. Ends with a line `N passed, N
// failed`.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { bin, install, need, root } from "./setup.mjs";

install();
process.env.CHROMIUM_PATH ??= need("chromium", "chromium", "end-to-end tests");
need("ffmpeg", "ffmpeg", "clips for tests");

const results = { passed: 0, failed: 0 };
const began = Date.now();

/**
 * Runs one step; counts it as one check, or by the figures that `count` reads from what it left.
 * What it prints is shown when it has ended where another step runs beside it (`beside`: then it
 * also gives way to that one).
 */
async function step(name, command, args, count, beside = false) {
  if (!beside) console.log(`\n── ${name}`);
  const at = Date.now();
  const child = spawn(beside ? "nice" : command, beside ? ["-n", "10", command, ...args] : args, {
    cwd: root,
    stdio: beside ? ["ignore", "pipe", "pipe"] : "inherit",
    env: process.env,
  });
  const printed = [];
  child.stdout?.on("data", (chunk) => printed.push(chunk));
  child.stderr?.on("data", (chunk) => printed.push(chunk));
  const status = await new Promise((resolve) =>
    child.on("close", resolve).on("error", () => resolve(1)),
  );
  if (beside) console.log(`\n── ${name}\n${Buffer.concat(printed)}`);
  const ok = status === 0;
  const counted = count?.() ?? { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
  if (!ok && counted.failed === 0) counted.failed = 1;
  results.passed += counted.passed;
  results.failed += counted.failed;
  console.log(`── ${name}: ${ok ? "ok" : "FAILED"}, ${((Date.now() - at) / 1000).toFixed(0)} s`);
  return ok;
}

const readJson = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : null);
const work = path.join(root, ".work");
mkdirSync(work, { recursive: true });
// Many steps make databases; each after the first is a copy of it.
process.env.KINGFISHER_DB_TEMPLATES = path.join(work, "db-templates");
for (const f of ["unit.json", "e2e.json"]) rmSync(path.join(work, f), { force: true });

// The build checks the types of all that tsconfig.json names, and those of routes besides.
const [built] = await Promise.all([
  step("types and build", bin("next"), ["build"], undefined, true),
  (async () => {
    await step("lint", bin("eslint"), [".", "--max-warnings", "0"], undefined, true);
    await step(
      "import directions",
      bin("depcruise"),
      ["src", "tools", "demo", "--config", ".dependency-cruiser.cjs"],
      undefined,
      true,
    );
  })(),
]);
await step(
  "unit tests",
  bin("vitest"),
  ["run", "--reporter=default", "--reporter=json", `--outputFile=${path.join(work, "unit.json")}`],
  () => {
    const r = readJson(path.join(work, "unit.json"));
    return r && { passed: r.numPassedTests, failed: r.numFailedTests };
  },
);
const bench = (name, beside, ...args) =>
  step(name, process.execPath, ["--import", "tsx", ...args, "--check"], undefined, beside);
// A browser waits much of its time: what needs no browser and no clock goes on beside it.
await Promise.all([
  built &&
    step("end-to-end tests", bin("playwright"), ["test"], () => {
      const r = readJson(path.join(work, "e2e.json"));
      return r && { passed: r.stats.expected + r.stats.flaky, failed: r.stats.unexpected };
    }),
  (async () => {
    await bench("accuracy", true, "tools/bench/accuracy.ts");
    await bench("drills", true, "tools/bench/drills.ts");
  })(),
]);
if (built) {
  await bench("an hour hands free, shortened", false, "tools/bench/hour.ts");
  await bench(
    "killed while saving, starting, backing up, restoring, removing and migrating",
    false,
    "tools/bench/kill.ts",
  );
  await bench(
    "hostile films and requests, a hundred of each, and damaged databases",
    false,
    "tools/hostile/hostile.ts",
  );
}

console.log(`\n${((Date.now() - began) / 60000).toFixed(1)} minutes`);
console.log(`${results.passed} passed, ${results.failed} failed`);
process.exit(results.failed ? 1 : 0);
