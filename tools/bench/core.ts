/**
 * How core's time grows with the length of the track: `npm run bench:core`. One rep's track, put one behind the other to 1, 5
 * and 20 minutes; a pass without copies, and with them, medians.
 */
import { readFileSync } from "node:fs";
import { analyse } from "../../src/core/analyse";
import { readTrack } from "../../src/core/formats/trackFile";
import { median } from "../../src/core/maths/stats";
import type { Track } from "../../src/core/track/track";
import { report } from "./report";

const FILE = "demo/tracks/double-step-good.track";
const OPTIONS = { golfer: { statureCm: 178, hand: "right" as const }, drill: "double-step" };
const COPIES = 64;
const MINUTES = [1, 5, 20];
const round = (v: number) => Math.round(v * 100) / 100;

/** A track as often as it takes to fill so many minutes. */
function repeated(one: Track, minutes: number): Track {
  const frames = one.times.length;
  const period = one.times[frames - 1]! + (one.times[frames - 1]! - one.times[0]!) / (frames - 1);
  const times = Math.round((minutes * 60_000) / period);
  const each = <T>(make: (k: number) => T) => Array.from({ length: times }, (_, k) => make(k));
  const floats = (channel: Float32Array) => {
    const all = new Float32Array(times * channel.length);
    for (let k = 0; k < times; k++) all.set(channel, k * channel.length);
    return all;
  };
  return {
    ...one, times: Float64Array.from(each((k) => Array.from(one.times, (t) => t + k * period)).flat()),
    landmarks: floats(one.landmarks), outline: floats(one.outline), presence: floats(one.presence), footEdges: floats(one.footEdges),
    footPaths: each((k) => one.footPaths.map((p) => ({ ...p, from: p.from + k * frames, plantedFrom: p.plantedFrom + k * frames, plantedTo: p.plantedTo + k * frames }))).flat(),
    handsPaths: each((k) => one.handsPaths.map((p) => ({ ...p, from: p.from + k * frames }))).flat(),
    looks: each((k) => one.looks.map((l) => ({ ...l, t: l.t + k * period }))).flat(),
    sounds: each((k) => one.sounds.map((s) => ({ ...s, t: s.t + k * period }))).flat(),
    others: each((k) => one.others.map((o) => ({ ...o, t: o.t + k * period }))).flat(),
    video: { ...one.video, frames: times * frames, durationMs: times * period },
  };
}

/** Median time, ms, and reps found. */
function timed(track: Track, samples: number, passes: number): { ms: number; reps: number } {
  let reps = 0;
  const taken = Array.from({ length: passes }, () => {
    const began = performance.now();
    reps = analyse(track, { ...OPTIONS, samples }).reps.length;
    return performance.now() - began;
  });
  return { ms: median(taken), reps };
}

const one = readTrack(readFileSync(FILE));
timed(one, COPIES, 5);
timed(one, 0, 40);
const figures = MINUTES.map((minutes) => {
  const track = repeated(one, minutes);
  const bare = timed(track, 0, minutes === 1 ? 5 : 3);
  const full = timed(track, COPIES, 1);
  const row = { minutes, frames: track.times.length, reps: bare.reps, passMs: round(bare.ms), msPer100Frames: round((100 * bare.ms) / track.times.length), msPerRep: round(full.ms / Math.max(1, full.reps)) };
  console.log(`${minutes} min, ${row.frames} pictures, ${row.reps} reps: a pass ${row.passMs} ms, ${row.msPer100Frames} ms per 100 pictures; with ${COPIES} copies ${row.msPerRep} ms a rep`);
  return row;
});
const growth = round(figures[figures.length - 1]!.passMs / figures[0]!.passMs);
console.log(`20 min ÷ 1 min: ${growth}`);
report("core", { copies: COPIES, growth, figures });
