/**
 * Writes the lists of built-in drills and of measures from the files that are there: `npm run
 * lists` after adding one.
 */
import { readdirSync, writeFileSync } from "node:fs";

const BY = "// Written by `npm run lists`: one line a file of this folder.\n";

/** Names of a library's files, without their ending. */
const names = (dir) =>
  readdirSync(dir)
    .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts") && f !== "all.ts")
    .map((f) => f.slice(0, -3))
    .sort();
const lines = (list, line) => list.map((n) => `${line(n)}\n`).join("");

const drills = new URL("../src/core/drills/library/", import.meta.url);
writeFileSync(
  new URL("all.ts", drills),
  `${BY}${lines(names(drills), (n) => `import { drill as ${n} } from "./${n}";`)}
export const all = [
${lines(names(drills), (n) => `  ${n},`)}];
`,
);

const measures = new URL("../src/core/measures/library/", import.meta.url);
writeFileSync(
  new URL("all.ts", measures),
  `${BY}${lines(names(measures), (n) => `import { ${n} } from "./${n}";`)}
export const all = {
${lines(names(measures), (n) => `  ...${n},`)}};
`,
);
