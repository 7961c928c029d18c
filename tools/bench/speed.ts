/**
 * Where reading a clip spends its time: `npm run bench:speed [-- CLIP]`. In one process, in turn and several times: the
 * whole pipeline, and the same number of bare network runs on crops already in memory; the ratio of the medians is what
 * everything but the network costs.
 */
import v8 from "node:v8";
import { analyse } from "../../src/core/analyse";
import { median } from "../../src/core/maths/stats";
import { CROP_SIDE, DETECT_SIDE } from "../../src/vision/network/poseNetwork";
import { report } from "./report";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
const { loadNodeNetwork, openClipFile } = await import("../../src/vision/node/loadNode");
const { readClip } = await import("../../src/vision/read");

const file = process.argv[2] ?? "demo/clips/double-step-good.mp4";
const threads = Number(process.env.THREADS ?? 2);
const ROUNDS = 3;
const network = await loadNodeNetwork(threads);
const open = async () => {
  const clip = await openClipFile(file);
  try {
    return await readClip(clip, network, { faceOn: true });
  } finally {
    clip.close();
  }
};
const crops = Array.from({ length: 8 }, (_, k) => Float32Array.from({ length: CROP_SIDE * CROP_SIDE * 3 }, (_, i) => ((i * 7 + k * 131) % 255) / 255));
const tile = new Float32Array(DETECT_SIDE * DETECT_SIDE * 3).fill(0.2);
const bare = async (runs: number, detections: number) => {
  const began = performance.now();
  for (let i = 0; i < runs; i++) await network.landmarks(crops[i % crops.length]!);
  for (let i = 0; i < detections; i++) await network.detect(tile);
  return performance.now() - began;
};

const rounds: { pipeline: number; network: number; decode: number; crop: number; patches: number; core: number; sample: number; frames: number; runs: number }[] = [];
for (let r = 0; r < ROUNDS; r++) {
  const { track, timings } = await open();
  // Core is far shorter than the machine's own hiccups: the median of many warm passes.
  const time = (samples: number, passes: number) => {
    const taken: number[] = [];
    for (let i = 0; i < passes; i++) {
      const began = performance.now();
      analyse(track, { golfer: { statureCm: 170, hand: "right" }, drill: "double-step", samples });
      taken.push(performance.now() - began);
    }
    return median(taken.slice(passes >> 1));
  };
  const core = time(0, 60);
  const sample = time(64, 8);
  const network = await bare(timings.networkRuns, timings.detectorRuns);
  rounds.push({ pipeline: timings.totalMs, network, decode: timings.decodeMs, crop: timings.cropMs, patches: timings.patchesMs, core, sample, frames: track.times.length, runs: timings.networkRuns });
  console.log(`round ${r + 1}: pipeline ${(timings.totalMs / 1000).toFixed(1)} s, bare network ${(network / 1000).toFixed(1)} s`);
}
const of = (k: keyof (typeof rounds)[number]) => median(rounds.map((r) => r[k]));
const frames = of("frames");
const round = (v: number) => Math.round(v * 100) / 100;
const figures = {
  clip: file, threads, frames,
  pipelineOverNetwork: round(median(rounds.map((r) => r.pipeline / r.network))),
  networkMsPerFrame: round(of("network") / of("runs")),
  decodeMsPerFrame: round(of("decode") / frames),
  cropMsPerFrame: round(of("crop") / of("runs")),
  patchesMsPerFrame: round(of("patches") / frames),
  coreMsPer100Frames: round((of("core") * 100) / frames),
  sampleMsPerRep: round(of("sample")),
  runsOverFrames: round(of("runs") / frames),
};
console.log(`${"pipeline ÷ bare network".padEnd(28)} ${figures.pipelineOverNetwork}`);
for (const [name, key] of [["network", "networkMsPerFrame"], ["decoding, waiting for it", "decodeMsPerFrame"], ["crop", "cropMsPerFrame"], ["patches", "patchesMsPerFrame"]] as const) console.log(`${name.padEnd(28)} ${figures[key]} ms a picture`);
console.log(`${"core, one pass".padEnd(28)} ${figures.coreMsPer100Frames} ms per 100 pictures`);
console.log(`${"core with 64 copies".padEnd(28)} ${figures.sampleMsPerRep} ms a rep`);
report("speed", figures);
process.exit(0);
