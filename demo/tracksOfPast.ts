/**
 * Writes the tracks of the made-up past into a directory, whole ones only: `tsx
 * demo/tracksOfPast.ts DIR PART PARTS`. A part of them each, for several processes at once.
 */
import { renameSync, writeFileSync } from "node:fs";
import path from "node:path";
import { pastBouts, trackOf } from "./history";

const [dir, part, parts] = [process.argv[2]!, Number(process.argv[3]), Number(process.argv[4])];
let k = 0;
for (const [b, { golfer, scripts }] of pastBouts().entries())
  for (const [r, script] of scripts.entries()) {
    if (k++ % parts !== part) continue;
    const file = path.join(dir, `${b}-${r}.track`);
    writeFileSync(`${file}.part`, trackOf(script, golfer, 1000 * b + r));
    renameSync(`${file}.part`, file);
  }
