/**
 * Draws the house from its imports: `npm run house` writes the drawing into docs/architecture.md;
 * with `--check` ends with 1 where it is not the one that stands there.
 *
 * A room is a folder of core or vision, or one of the other parts whole. An arrow is drawn where a
 * file of one room imports a value of another and no longer way leads there.
 */
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { bin, root } from "./setup.mjs";

const DOC = new URL("../docs/architecture.md", import.meta.url);
const [BEGIN, END] = ["<!-- house: begin -->", "<!-- house: end -->"];

const roomOf = (file) =>
  /^src\/core\/([^/]+)\//.exec(file)?.[1] ??
  /^src\/(vision|front|server|ui|app|cli)\//.exec(file)?.[1];

const { modules } = JSON.parse(
  execFileSync(
    bin("depcruise"),
    [
      "src",
      "--config",
      ".dependency-cruiser.cjs",
      "--output-type",
      "json",
      "--exclude",
      "\\.test\\.ts$",
    ],
    { cwd: root, encoding: "utf8", maxBuffer: 1 << 28 },
  ),
);
/** Room → rooms whose values it imports. */
const uses = new Map();
for (const { source, dependencies } of modules)
  for (const { resolved, dependencyTypes } of dependencies) {
    const [from, to] = [roomOf(source), roomOf(resolved)];
    if (!from || !to || from === to || dependencyTypes.includes("type-only")) continue;
    if (!uses.has(from)) uses.set(from, new Set());
    uses.get(from).add(to);
  }

/** Whether a way leads from one room to another that does not begin with their own arrow. */
function isReachedBeyond(from, to) {
  const seen = new Set();
  const open = [...(uses.get(from) ?? [])].filter((r) => r !== to);
  while (open.length) {
    const room = open.pop();
    if (room === to) return true;
    if (seen.has(room)) continue;
    seen.add(room);
    open.push(...(uses.get(room) ?? []));
  }
  return false;
}
const arrows = [...uses]
  .flatMap(([from, rooms]) => [...rooms].map((to) => [from, to]))
  .filter(([from, to]) => !isReachedBeyond(from, to))
  .map(([from, to]) => `  ${from} --> ${to}`)
  .sort();
const drawing = `${BEGIN}\n\n\`\`\`mermaid\nflowchart LR\n${arrows.join("\n")}\n\`\`\`\n\n${END}`;

const text = readFileSync(DOC, "utf8");
const [head, rest] = text.split(BEGIN);
const tail = rest?.split(END)[1];
if (tail === undefined) throw new Error(`docs/architecture.md has no ${BEGIN} … ${END}`);
const now = `${head}${drawing}${tail}`;
if (!process.argv.includes("--check")) writeFileSync(DOC, now);
else if (now !== text) {
  console.error("The drawing in docs/architecture.md is not that of the imports: npm run house");
  process.exit(1);
}
