/**
 * Where reading a clip spends its time: `npm run bench:speed [-- CLIP]`. In one process and in
 * turn: the whole pipeline, every picture read, and bare network runs on crops already in memory,
 * on the same threads. A round's ratio is the pipeline's time over that of as many bare runs just
 * before and after it, because the machine's own speed drifts; the median of the rounds counts.
 * Cases: 720p on one core and on two, and the same film at 1080p.
 */
import { execFileSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import v8 from "node:v8";
import { analyse } from "../../src/core/analysis";
import { median } from "../../src/core/maths/stats";
import type { Track } from "../../src/core/track/track";
import type { PoseNetwork } from "../../src/vision/network/poseNetwork";
import { CROP_SIDE, DETECT_SIDE } from "../../src/vision/network/poseNetwork";
import { threadPlan } from "../../src/vision/network/threadPlan";
import { report } from "./report";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
const { loadNodeNetwork } = await import("../../src/vision/node/loadNode");
const { readClipFile } = await import("../../src/vision/node/readClipFile");

const ROUNDS = 5;
const GOLFER = { golfer: { statureCm: 170, hand: "right" as const }, drill: "double-step" };
const round = (v: number) => Math.round(v * 100) / 100;

const crops = Array.from({ length: 8 }, (_, k) =>
  Float32Array.from(
    { length: CROP_SIDE * CROP_SIDE * 3 },
    (_, i) => ((i * 7 + k * 131) % 255) / 255,
  ),
);
const tile = new Float32Array(DETECT_SIDE * DETECT_SIDE * 3).fill(0.2);

/**
 * Milliseconds of bare runs. A call always waits behind each that runs, so that the network never
 * rests; inputs are given away, so each is a copy.
 */
async function bare(network: PoseNetwork, runs: number, detections: number): Promise<number> {
  const began = performance.now();
  const under: Promise<unknown>[] = [];
  for (let i = 0; i < runs + detections; i++) {
    const crop = i < runs ? network.crop() : null;
    crop?.set(crops[i % crops.length]!);
    under.push(crop ? network.landmarks(crop).then(network.done) : network.detect(tile.slice()));
    if (under.length >= 2 * network.atOnce) await under.shift();
  }
  await Promise.all(under);
  return performance.now() - began;
}

/** Rounds of one clip on so many cores. */
async function speed(name: string, file: string, cores: number) {
  const network = await loadNodeNetwork(threadPlan(cores, true));
  // How many runs a read takes, and everything compiled.
  const { track, timings: first } = await readClipFile(file, network, { faceOn: true });
  const [runs, detections, frames] = [first.networkRuns, first.detectorRuns, track.times.length];
  const half = () => bare(network, Math.round(runs / 2), Math.round(detections / 2));
  const rounds: {
    ratio: number;
    network: number;
    decode: number;
    crop: number;
    patches: number;
  }[] = [];
  let before = await half();
  for (let r = 0; r < ROUNDS; r++) {
    const { timings } = await readClipFile(file, network, { faceOn: true });
    const after = await half();
    rounds.push({
      ratio: timings.totalMs / (before + after),
      network: (before + after) / runs,
      decode: timings.decodeMs / frames,
      crop: timings.cropMs / runs,
      patches: timings.patchesMs / frames,
    });
    console.log(
      `${name}, round ${r + 1}: pipeline ${(timings.totalMs / 1000).toFixed(1)} s, bare ` +
        `network ${((before + after) / 1000).toFixed(1)} s`,
    );
    before = after;
  }
  const of = (k: keyof (typeof rounds)[number]) => round(median(rounds.map((x) => x[k])));
  const figures = {
    cores,
    networks: network.atOnce,
    threads: network.threads,
    frames,
    pipelineOverNetwork: of("ratio"),
    networkMsPerFrame: of("network"),
    decodeMsPerFrame: of("decode"),
    cropMsPerFrame: of("crop"),
    patchesMsPerFrame: of("patches"),
    runsOverFrames: round(runs / frames),
  };
  console.log(
    `${name}: pipeline ÷ bare network ${figures.pipelineOverNetwork}; a picture: network ` +
      `${figures.networkMsPerFrame} ms, waiting for the decoder ` +
      `${figures.decodeMsPerFrame}, crop ${figures.cropMsPerFrame}, shoes and hands ` +
      `${figures.patchesMsPerFrame}`,
  );
  return { track, figures };
}

/** Core is far shorter than the machine's own hiccups: the median of many warm passes, ms. */
function core(track: Track, samples: number, passes: number): number {
  const taken = Array.from({ length: passes }, () => {
    const began = performance.now();
    analyse(track, { ...GOLFER, samples });
    return performance.now() - began;
  });
  return median(taken.slice(passes >> 1));
}

const clip = process.argv[2] ?? "demo/clips/double-step-good.mp4";
const large = path.join(mkdtempSync(path.join(os.tmpdir(), "kingfisher-speed-")), "1080p.mp4");
execFileSync("ffmpeg", [
  "-v",
  "error",
  "-i",
  clip,
  "-vf",
  "scale=1920:1080:flags=lanczos",
  "-c:v",
  "libx264",
  "-crf",
  "20",
  "-c:a",
  "copy",
  large,
]);
const { figures: one } = await speed("720p, one core", clip, 1);
const { figures: two, track } = await speed("720p, two cores", clip, 2);
const { figures: big } = await speed("1080p, two cores", large, 2);
const coreMsPer100Frames = round((core(track, 0, 60) * 100) / track.times.length);
const sampleMsPerRep = round(core(track, 64, 8));
console.log(
  `core: one pass ${coreMsPer100Frames} ms per 100 pictures; with 64 copies ${sampleMsPerRep} ms a rep`,
);
report("speed", { clip, ...two, coreMsPer100Frames, sampleMsPerRep, oneCore: one, at1080: big });
process.exit(0);
