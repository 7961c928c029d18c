/**
 * Twelve clips of one rep each, the drill known: `npm run bench:twelve`. One network, loaded once,
 * reads them one after another for the drill and, in turn, whole; the time of both.
 */
import { readdirSync, readFileSync } from "node:fs";
import v8 from "node:v8";
import { analyse } from "../../src/core/analysis";
import { askedBy } from "../../src/vision/anytime/asked";
import { report } from "./report";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
const { loadNodeNetwork } = await import("../../src/vision/node/loadNode");
const { readClipFile } = await import("../../src/vision/node/readClipFile");

const DIR = "demo/clips";
const CLIPS = 12;
const names = readdirSync(DIR)
  .filter((f) => f.startsWith("double-step") && f.endsWith(".mp4"))
  .sort();
const clips = Array.from({ length: CLIPS }, (_, k) => names[k % names.length]!);
const began = performance.now();
const network = await loadNodeNetwork();
const loadS = (performance.now() - began) / 1000;

interface Facts {
  golfer: { stature: number; hand: "left" | "right" };
}

async function timed(name: string, less: boolean) {
  const { golfer } = JSON.parse(
    readFileSync(`${DIR}/${name.replace(/mp4$/, "json")}`, "utf8"),
  ) as Facts;
  const options = {
    golfer: { statureCm: golfer.stature, hand: golfer.hand },
    drill: "double-step",
  };
  const from = performance.now();
  const { track, timings } = await readClipFile(`${DIR}/${name}`, network, {
    faceOn: true,
    asked: less ? askedBy(options) : undefined,
  });
  const verdict = analyse(track, options).reps[0]?.verdict;
  return {
    s: (performance.now() - from) / 1000,
    looks: timings.networkRuns,
    said: verdict ? `${verdict.result} ${verdict.cue?.id ?? ""}`.trim() : "no rep",
  };
}

let [less, whole, other] = [0, 0, 0];
for (const name of clips) {
  // In turn, so that a machine whose speed drifts is fair to both.
  const [a, b] = [await timed(name, true), await timed(name, false)];
  less += a.s;
  whole += b.s;
  if (a.said !== b.said) other++;
  console.log(
    `${name.padEnd(34)} for the drill ${a.s.toFixed(1)} s, ${a.looks} looks, ${a.said}; ` +
      `whole ${b.s.toFixed(1)} s, ${b.looks} looks, ${b.said}`,
  );
}
const round = (v: number) => Math.round(v * 100) / 100;
const figures = {
  clips: CLIPS,
  loadS: round(loadS),
  lessS: round(less),
  wholeS: round(whole),
  faster: round(whole / less),
  saidOtherwise: other,
};
console.log(
  `twelve clips: ${figures.lessS} s for the drill, ${figures.wholeS} s whole: ` +
    `${figures.faster} times faster; ${other} said otherwise; loading the network ` +
    `${figures.loadS} s`,
);
report("twelve", figures);
process.exit(0);
