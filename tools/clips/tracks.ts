/** Reads every clip of demo/clips with the real network and writes demo/tracks: what the demo data is seeded from. */
import { mkdirSync, readdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import v8 from "node:v8";
import { writeTrack } from "../../src/core/formats/trackFile";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
const { loadNodeNetwork, openClipFile } = await import("../../src/vision/node/loadNode");
const { readClip } = await import("../../src/vision/read");
const [from = "demo/clips", to = "demo/tracks"] = process.argv.slice(2);
mkdirSync(to, { recursive: true });
const network = await loadNodeNetwork();
for (const name of readdirSync(from).filter((f) => f.endsWith(".mp4"))) {
  const clip = await openClipFile(path.join(from, name));
  const { track, timings } = await readClip(clip, network, { faceOn: true });
  clip.close();
  writeFileSync(path.join(to, name.replace(/\.mp4$/, ".track")), writeTrack(track));
  console.log(`${name}: ${(timings.totalMs / 1000).toFixed(1)} s`);
}
process.exit(0);
