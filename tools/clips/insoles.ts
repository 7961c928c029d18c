/**
 * Writes what a simulated pair of insoles measures in shipped clips: `npm run insoles`. Their clock
 * is their own, as a real pair's.
 */
import { mkdirSync, writeFileSync } from "node:fs";
import { body } from "../../src/core/figure/anthropometry";
import { simulate } from "../../src/core/figure/simulate";
import { insoleTruth } from "../../src/core/figure/truth/insoles";
import { insolesCsv } from "../../src/core/formats/insolesCsv";
import { DEMO } from "./demoSet";

const WORN: Record<string, number> = {
  "double-step-good": 41_230,
  "double-step-lead-late": 3_870,
  "double-step-left": 0,
};

mkdirSync("demo/insoles", { recursive: true });
for (const [id, aheadMs] of Object.entries(WORN)) {
  const { golfer, script, seed } = DEMO.find((c) => c.id === id)!;
  const worn = insoleTruth(simulate(body(golfer.stature, golfer.sex, golfer.build), script), {
    hand: golfer.hand,
    aheadMs,
    seed,
  });
  writeFileSync(`demo/insoles/${id}.csv`, insolesCsv(worn));
}
