/**
 * How core's time grows with the length of the track: `npm run bench:core`. One rep's track, put
 * one behind the other to 1, 5 and 20 minutes; a pass without copies, and with them, medians.
 */
import { readFileSync } from "node:fs";
import { analyse } from "../../src/core/analysis";
import { readTrack } from "../../src/core/formats/trackFile";
import { median } from "../../src/core/maths/stats";
import type { Track } from "../../src/core/track/track";
import { repeated } from "../study/repeated";
import { report } from "./report";

const FILE = "demo/tracks/double-step-good.track";
const OPTIONS = { golfer: { statureCm: 178, hand: "right" as const }, drill: "double-step" };
const COPIES = 64;
const MINUTES = [1, 5, 20];
const round = (v: number) => Math.round(v * 100) / 100;

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
const repS = one.video.durationMs / 1000;
timed(one, COPIES, 5);
timed(one, 0, 40);
const figures = MINUTES.map((minutes) => {
  const track = repeated(one, Math.round((minutes * 60) / repS));
  const bare = timed(track, 0, minutes === 1 ? 5 : 3);
  const full = timed(track, COPIES, 1);
  const row = {
    minutes,
    frames: track.times.length,
    reps: bare.reps,
    passMs: round(bare.ms),
    msPer100Frames: round((100 * bare.ms) / track.times.length),
    msPerRep: round(full.ms / Math.max(1, full.reps)),
    msPer100FramesAndCopy: round((100 * full.ms) / track.times.length / (COPIES + 1)),
  };
  console.log(
    `${minutes} min, ${row.frames} pictures, ${row.reps} reps: a pass ${row.passMs} ms, ` +
      `${row.msPer100Frames} ms per 100 pictures; with ${COPIES} copies ${row.msPerRep} ms ` +
      `a rep, ${row.msPer100FramesAndCopy} ms per 100 pictures and copy`,
  );
  return row;
});
const growth = round(figures[figures.length - 1]!.passMs / figures[0]!.passMs);
console.log(`20 min ÷ 1 min: ${growth}`);
report("core", { copies: COPIES, growth, figures });
