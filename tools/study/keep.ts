/**
 * Packs what was read of a set into what the repository keeps, because .work does not survive: `npx tsx tools/study/keep.ts drills`.
 * Films are left out (they are rendered again), of the truth the joints of every frame.
 */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { brotliCompressSync } from "node:zlib";
import type { Truth } from "./truthClip";

const [set] = process.argv.slice(2);
if (!set) throw new Error("name the set to keep");
const [clips, tracks, out] = [`.work/clips/${set}`, `.work/tracks/${set}`, `tools/study/kept/${set}`];
mkdirSync(out, { recursive: true });
for (const file of readdirSync(tracks).filter((f) => f.endsWith(".track"))) {
  const id = path.basename(file, ".track");
  const { perFrame: _, ...truth } = JSON.parse(readFileSync(path.join(clips, `${id}.json`), "utf8")) as Truth;
  writeFileSync(path.join(out, `${file}.br`), brotliCompressSync(readFileSync(path.join(tracks, file))));
  writeFileSync(path.join(out, `${id}.json.br`), brotliCompressSync(JSON.stringify(truth)));
}
