/**
 * How much of the code is tests: `npm run share`. Counts lines that are not blank, of code that
 * Prettier has formatted alike. Tests are `*.test.ts` anywhere and all of tests/; code is the rest
 * of src/. Ends with 1 under a quarter.
 */
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { root } from "./setup.mjs";

const LEAST = 0.25;
const files = execFileSync("git", ["ls-files", "--cached", "--others", "--exclude-standard"], {
  cwd: root,
  encoding: "utf8",
})
  .split("\n")
  .filter((f) => /^(src|tests|tools)\/.*\.tsx?$/.test(f) && !f.endsWith("/binary.ts"));
const isTest = (f) => f.startsWith("tests/") || /\.test\.tsx?$/.test(f);
const lines = (list) =>
  list.reduce(
    (n, f) =>
      n +
      readFileSync(`${root}/${f}`, "utf8")
        .split("\n")
        .filter((l) => l.trim()).length,
    0,
  );
const tests = lines(files.filter(isTest));
const code = lines(files.filter((f) => f.startsWith("src/") && !isTest(f)));
console.log(
  `tests: ${tests} lines; src without them: ${code}; ${((100 * tests) / code).toFixed(1)} %`,
);
process.exit(tests / code < LEAST ? 1 : 0);
