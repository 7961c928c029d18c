/**
 * Reads clips with the real network into tracks: `npm run tracks -- [FROM TO] [--part 0/2]
 * [--again]`. Without folders: demo/clips to demo/tracks, what the demo data is seeded from. The
 * network's outputs are remembered in .work/looks.
 */
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { parseArgs } from "node:util";
import v8 from "node:v8";
import { writeTrack } from "../../src/core/formats/trackFile";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
const { loadNodeNetwork } = await import("../../src/vision/node/loadNode");
const { readClipFile } = await import("../../src/vision/node/readClipFile");
const { cachedNetwork } = await import("../cachedNetwork");
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    part: { type: "string", default: "0/1" },
    again: { type: "boolean", default: false },
    only: { type: "string", default: "" },
  },
});
const [from = "demo/clips", to = "demo/tracks"] = positionals;
const [part, parts] = values.part.split("/").map(Number) as [number, number];
mkdirSync(to, { recursive: true });
let loaded: ReturnType<typeof loadNodeNetwork> | null = null;
const load = () =>
  (loaded ??= loadNodeNetwork(parts > 1 ? { networks: 1, threads: 1 } : undefined));
const names = readdirSync(from)
  .filter((f) => f.endsWith(".mp4") && !f.endsWith(".part.mp4") && f.startsWith(values.only))
  .sort();
for (const [i, name] of names.entries()) {
  const out = path.join(to, name.replace(/\.mp4$/, ".track"));
  if (i % parts !== part || (existsSync(out) && !values.again)) continue;
  const { view } = JSON.parse(
    readFileSync(path.join(from, name.replace(/\.mp4$/, ".json")), "utf8"),
  ) as { view: string };
  const file = path.join(from, name);
  try {
    const { track, timings } = await readClipFile(file, await cachedNetwork(load, file), {
      faceOn: view === "face-on",
    });
    writeFileSync(out, writeTrack(track));
    console.log(`${name}: ${(timings.totalMs / 1000).toFixed(1)} s`);
  } catch (error) {
    console.log(`${name}: ${error instanceof Error ? error.message : error}`);
  }
}
process.exit(0);
