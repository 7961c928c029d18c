/**
 * How a set-up changes what a phone can tell: `npm run bench:setup`. The uncertainty that the
 * program states of each measure in clips from farther off, with more pixels, and with more and
 * fewer pictures a second, against the accuracy bench's; the middle over all measures of places
 * (cm, °, %) and of times (ms). Writes what the filming planner reckons with.
 */
import { writeFileSync } from "node:fs";
import { benchUOf } from "../../src/core/drills/mustRule";
import { cmPerPx } from "../../src/core/film/lens";
import { median } from "../../src/core/maths/stats";
import { CATALOGUE, MEASURE_IDS } from "../../src/core/measures";
import { compare, rulesOf } from "../study/compare";
import { truthClips, type TruthClip } from "../study/truthClip";
import { report } from "./report";

const KEPT = "tools/study/kept";
const pixel = ({ truth: { camera } }: TruthClip) =>
  cmPerPx(
    {
      fovDeg: camera.fov,
      long: Math.max(camera.width, camera.height_px),
      short: 0,
      fps: camera.fps,
    },
    camera.distance,
  );
const rounded = (v: number, digits: number) => Number(v.toFixed(digits));

/** Stated uncertainty against the accuracy bench's, of every measure of every rep. */
function ratios(clips: readonly TruthClip[], times: boolean): number[] {
  return clips.flatMap((clip) =>
    compare(clip).found.flatMap(({ rep }) =>
      MEASURE_IDS.flatMap((measure) => {
        const { state, u } = rep.measures[measure];
        const usual = benchUOf(
          { measure },
          { view: clip.truth.view, rules: rulesOf(clip.truth), actions: [] },
        );
        return state === "measured" &&
          u !== null &&
          usual &&
          (CATALOGUE[measure].unit === "ms") === times
          ? [u / usual]
          : [];
      }),
    ),
  );
}

const conditions = truthClips(`${KEPT}/conditions`);
const of = (about: string) => conditions.filter((c) => c.truth.about === about);
// What the accuracy bench itself was read from stands between them.
const ordinary = truthClips(`${KEPT}/report`).filter(
  (c) => c.truth.camera.fps === 60 && c.truth.view === "face-on",
);
const places = [
  { name: "p1080", clips: of("p1080") },
  { name: "ordinary", clips: ordinary },
  { name: "far", clips: of("far") },
].map(({ name, clips }) => ({
  name,
  clips: clips.length,
  cmPerPx: rounded(median(clips.map(pixel)), 3),
  ratio: rounded(median(ratios(clips, false)), 2),
}));
const times = [
  { name: "fps120", clips: of("fps120") },
  { name: "ordinary", clips: ordinary },
  { name: "fps30", clips: of("fps30") },
].map(({ name, clips }) => ({
  name,
  clips: clips.length,
  msPerFrame: rounded(1000 / clips[0]!.truth.camera.fps, 1),
  ratio: rounded(median(ratios(clips, true)), 2),
}));
for (const row of [...places, ...times]) console.log(JSON.stringify(row));
writeFileSync(
  "src/core/film/setUpU.json",
  `${JSON.stringify({ places: places.map(({ cmPerPx: at, ratio }) => ({ at, ratio })), times: times.map(({ msPerFrame: at, ratio }) => ({ at, ratio })) }, null, 1)}\n`,
);
report("setup", { places, times });
