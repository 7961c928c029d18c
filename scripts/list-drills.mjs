/**
 * Writes the list of built-in drills from the files that are there: `npm run drills` after adding
 * one.
 */
import { readdirSync, writeFileSync } from "node:fs";

const dir = new URL("../src/core/drills/library/", import.meta.url);
const names = readdirSync(dir)
  .filter((f) => f.endsWith(".ts") && f !== "all.ts")
  .map((f) => f.slice(0, -3))
  .sort();
writeFileSync(
  new URL("all.ts", dir),
  `// Written by \`npm run drills\`: one line a file of this folder.\n${names.map((n) => `import { drill as ${n} } from "./${n}";\n`).join("")}\nexport const all = [\n${names.map((n) => `  ${n},\n`).join("")}];\n`,
);
