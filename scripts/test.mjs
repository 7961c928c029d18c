/**
 * npm test: installs what is needed and runs everything that CI runs. Ends with the times of all
 * steps and a line `N passed, N failed`. What takes longer is in `npm run test:long`.
 */
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { bin, install, need, root } from "./setup.mjs";
import { end, step } from "./steps.mjs";

/** More than this on two cores means that something hangs or has grown, minutes. */
const BUDGET_MIN = 30;

install();
process.env.CHROMIUM_PATH ??= need("chromium", "chromium", "end-to-end tests");
need("ffmpeg", "ffmpeg", "clips for tests");
need("certutil", "libnss3-tools", "a phone that trusts the home's certificate");

// A test that needs a second try on a busy machine is named, and does not fail all.
process.env.CI ??= "1";

const work = path.join(root, ".work");
mkdirSync(work, { recursive: true });
// Many steps make databases; each after the first is a copy of it.
process.env.KINGFISHER_DB_TEMPLATES = path.join(work, "db-templates");
for (const f of ["unit.json", "e2e.json"]) rmSync(path.join(work, f), { force: true });
const readJson = (name) => {
  const file = path.join(work, name);
  return existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : null;
};

const beside = { beside: true };
const bench = (name, file, options, ...args) =>
  step(name, [process.execPath, "bin/run.mjs", file, "--check", ...args], options);

// The build checks the types of all that tsconfig.json names, and those of routes besides.
const [built] = await Promise.all([
  (async () => {
    const ok = await step("types and build", [bin("next"), "build"], beside);
    await step("formatting", [bin("prettier"), "--check", "--log-level", "warn", "."], beside);
    return ok;
  })(),
  (async () => {
    await step("lint", [bin("eslint"), ".", "--max-warnings", "0"], beside);
    await step("what nobody uses", [bin("knip")], beside);
    await step(
      "import directions",
      [bin("depcruise"), "src", "tools", "demo", "--config", ".dependency-cruiser.cjs"],
      beside,
    );
    await step("drawing of the house", [process.execPath, "scripts/house.mjs", "--check"], beside);
  })(),
]);
const count = (file, read) => ({
  count: () => {
    const r = readJson(file);
    return r && read(r);
  },
});
await step(
  "unit tests",
  [
    bin("vitest"),
    "run",
    "--project=core",
    "--project=devices",
    "--reporter=default",
    "--reporter=json",
    `--outputFile=${path.join(work, "unit.json")}`,
  ],
  count("unit.json", (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests })),
);
// Browser and server fill both cores: two such tests at once take more than twice as long.
if (built)
  await step(
    "end-to-end tests",
    [bin("playwright"), "test"],
    count("e2e.json", ({ stats }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
    })),
  );
// Each of these has one core.
await Promise.all([
  (async () => {
    await bench("accuracy", "tools/bench/accuracy.ts", beside);
    await bench("drills", "tools/bench/drills.ts", beside);
    await bench("what drills warn of, filmed", "tools/bench/pointsFilmed.ts", beside);
  })(),
  (async () => {
    if (!built) return;
    await bench("killed while saving, starting, backing up", "tools/bench/kill.ts", beside);
    await bench(
      "hostile films and requests, damaged databases",
      "tools/hostile/hostile.ts",
      beside,
    );
  })(),
]);
end(BUDGET_MIN);
