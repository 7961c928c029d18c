/**
 * Adds to the kept truths what has come to be measured since their clips were rendered: `npx tsx
 * tools/study/retruth.ts MEASURE[,MEASURE] [SET …]`. The scripts are simulated again; films and tracks stay.
 * A clip whose script or golfer is another one by now is left as it is, and named.
 */
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { brotliCompressSync, brotliDecompressSync } from "node:zlib";
import { body } from "../../src/core/figure/anthropometry";
import { simulate } from "../../src/core/figure/simulate";
import { truths } from "../../src/core/figure/truth/truth";
import { SETS } from "../clips/sets";
import type { Truth } from "./truthClip";

const KEPT = "tools/study/kept";
const [named, ...sets] = process.argv.slice(2);
if (!named) throw new Error("name the measures");
const measures = named.split(",");
for (const set of sets.length ? sets : ["fit", "report", "conditions", "drills"]) {
  let added = 0;
  for (const spec of SETS[set]!) {
    const file = path.join(KEPT, set, `${spec.id}.json.br`);
    if (!existsSync(file)) continue;
    const truth = JSON.parse(brotliDecompressSync(readFileSync(file)).toString()) as Truth;
    const { stature, sex, build } = spec.golfer;
    const reps = truths(simulate(body(stature, sex, build), spec.script), spec.view);
    const same =
      truth.golfer.stature === stature &&
      truth.reps.length === reps.length &&
      truth.reps.every((r, i) => Math.abs(r.to - reps[i]!.to) < 1);
    if (!same) {
      console.log(`${set} ${spec.id}: is another one by now`);
      continue;
    }
    for (const [i, rep] of truth.reps.entries())
      for (const measure of measures) {
        const value = (reps[i]!.measures as Record<string, number | undefined>)[measure];
        if (value === undefined) continue;
        rep.measures[measure] = Math.round(value * 100) / 100;
        added++;
      }
    writeFileSync(file, brotliCompressSync(JSON.stringify(truth)));
  }
  console.log(`${set}: ${added} values of ${named}`);
}
