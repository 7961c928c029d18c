/**
 * npm run test:long: what `npm test` does a part of, whole. Takes some hours, and wants the machine
 * for itself. Ends with the same kind of line.
 */
import { bin, install, need } from "./setup.mjs";
import { end, step } from "./steps.mjs";

install();
process.env.CHROMIUM_PATH ??= need("chromium", "chromium", "end-to-end tests");
need("ffmpeg", "ffmpeg", "clips for tests");

const bench = (file, ...args) => [process.execPath, "bin/run.mjs", file, ...args];
const built = await step("types and build", [bin("next"), "build"]);
process.env.KINGFISHER_WHOLE = "1";
await step("unit tests, all of each list", [bin("vitest"), "run"]);
await step("every drill's clips", bench("tools/bench/drills.ts"));
await step("mutants", [bin("stryker"), "run"]);
if (built) {
  await step(
    "a thousand hostile films and requests, 240 damages",
    bench("tools/hostile/hostile.ts"),
  );
  await step("400 kills", bench("tools/bench/kill.ts"));
  await step("an hour hands free", bench("tools/bench/hour.ts"));
}
end();
