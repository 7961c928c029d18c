/**
 * Packs rendered clips' truth and tracks small enough to be kept in the repository, because .work
 * does not survive: `npx tsx tools/study/pack.ts [SET …] [--only PREFIX]`. Tracks are rounded to
 * 1/32 px (0.01 cm and less) and truth to what fitting and benches read, both by Brotli.
 */
import { existsSync, mkdirSync, readdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { parseArgs } from "node:util";
import { brotliCompressSync } from "node:zlib";
import { writeTrack } from "../../src/core/formats/trackFile";
import { STRIDE, type Track } from "../../src/core/track/track";
import { truthClips, type Truth } from "./truthClip";

const KEPT = "tools/study/kept";
const JOINTS = [
  "midHip",
  "midShoulder",
  "head",
  "midHands",
  "com",
  "lead.hip",
  "trail.hip",
  "lead.shoulder",
  "trail.shoulder",
];
/** What the edges of turning shoes are fitted by. */
const FOOT_JOINTS = ["lead", "trail"].flatMap((side) =>
  ["ankle", "heel", "toe"].map((joint) => `${side}.${joint}`),
);

/** Sets that only verdicts are read of: nothing is fitted on, or held against, their joints. */
const JUDGED = new Set(["drills", "points", "turns"]);

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { only: { type: "string", default: "" } },
});
for (const set of positionals.length
  ? positionals
  : ["fit", "report", "spoiled", "conditions", "drills", "points", "turns"]) {
  if (!existsSync(`.work/tracks/${set}`)) continue;
  const out = path.join(KEPT, set);
  mkdirSync(out, { recursive: true });
  for (const clip of truthClips(`.work/clips/${set}`, `.work/tracks/${set}`).filter(({ id }) =>
    id.startsWith(values.only),
  )) {
    writeFileSync(
      path.join(out, `${clip.id}.track.br`),
      brotliCompressSync(writeTrack(rounded(clip.track()))),
    );
    writeFileSync(
      path.join(out, `${clip.id}.json.br`),
      brotliCompressSync(
        JSON.stringify(JUDGED.has(set) ? { ...clip.truth, perFrame: undefined } : slim(clip.truth)),
      ),
    );
  }
  console.log(`${set}: ${readdirSync(out).length / 2} clips`);
}

function rounded(track: Track): Track {
  const to = (x: Float32Array, step: (i: number) => number) =>
    x.map((v, i) => Math.round(v * step(i)) / step(i));
  // x and y in px, visibility, σ px.
  const parts = [32, 32, 64, 16];
  return {
    ...track,
    landmarks: to(track.landmarks, (i) => parts[i % STRIDE]!),
    outline: to(track.outline, () => 32),
    footEdges: to(track.footEdges, () => 16),
    presence: to(track.presence, () => 64),
    handsPaths: track.handsPaths.map((p) => ({ ...p, x: to(p.x, () => 32), y: to(p.y, () => 32) })),
    // Whole pixels say that a match slipped: they must stay the only ones.
    footPaths: track.footPaths.map((p) => ({
      ...p,
      dx: kept(p.dx),
      dy: kept(p.dy),
      residual: to(p.residual, () => 4),
    })),
  };
}

function kept(x: Float32Array): Float32Array {
  return x.map((v) => {
    const r = Math.round(v * 128) / 128;
    return Number.isInteger(r) && !Number.isInteger(v) ? r + 1 / 256 : r;
  });
}

function slim(truth: Truth): Truth {
  const tenth = (v: number) => Math.round(v * 10) / 10;
  return {
    ...truth,
    perFrame: truth.perFrame?.map((f) => ({
      t: f.t,
      leadShare: tenth(f.leadShare),
      joints: Object.fromEntries(
        (truth.about === "pivot" ? [...JOINTS, ...FOOT_JOINTS] : JOINTS).flatMap((name) =>
          f.joints[name]
            ? [
                [
                  name,
                  {
                    px: f.joints[name].px,
                    cm: f.joints[name].cm.map(tenth) as [number, number, number],
                  },
                ],
              ]
            : [],
        ),
      ),
    })),
  };
}
