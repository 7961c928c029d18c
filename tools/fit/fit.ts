/**
 * Fits what the core takes from data, on the fit set alone (bodies and clothes that the reported
 * set does not have): `npm run fit`. Reads what was rendered and tracked under .work, else what the
 * repository keeps; prints the few constants of the fitted.ts files beside what is there now, and
 * writes the table of method errors, src/core/uncertainty/fitted.json.
 */
import { existsSync, writeFileSync } from "node:fs";
import { deviation, mean, median } from "../../src/core/maths/stats";
import { MEASURE_FIT } from "../../src/core/measures/fitted";
import { placeAt } from "../../src/core/measures/steps";
import { MOTION_FIT } from "../../src/core/motion/fitted";
import { placeOnClock } from "../../src/core/motion/footMotion";
import { readMotion } from "../../src/core/motion/motion";
import { valueAt } from "../../src/core/reps/clock";
import { foundByArms } from "../../src/core/reps/rep";
import { readRep } from "../../src/core/reps/readRep";
import { slice, split } from "../../src/core/reps/split";
import { pressureSmoother } from "../../src/core/reps/weight";
import { readScene } from "../../src/core/scene/scene";
import { facing } from "../../src/core/scene/facing";
import { SCENE_FIT } from "../../src/core/scene/fitted";
import { finishTrack } from "../../src/core/track/finishTrack";
import { compare, pairs, rulesOf } from "../study/compare";
import { truthClips, type TruthClip } from "../study/truthClip";
import { cycleJerk } from "./cycleJerk";
import { hipsWidest } from "./hipsWidest";
import { BARE, tableOf } from "./errorTable";
import { fitSettle } from "./settle";
import { fitLiveSquare } from "./liveSquare";
import { fitShoe } from "./shoe";
import { fitTurned } from "./turned";

const KEPT = "tools/study/kept/fit";
const [clipsDir, tracksDir] = existsSync(".work/tracks/fit")
  ? [".work/clips/fit", ".work/tracks/fit"]
  : [KEPT, KEPT];
const clips = truthClips(clipsDir, tracksDir);
console.log(`${clips.length} clips`);
const rms = (x: readonly number[]) => Math.sqrt(mean(x.map((v) => v * v)));

constants(clips.filter((c) => c.truth.perFrame && c.truth.view === "face-on"));
fitShoe(clips.filter((c) => c.truth.perFrame?.[0]?.joints["trail.toe"]));
cycleJerk(clips.filter((c) => c.truth.reps[0]!.kind === "cycle"));
hipsWidest(
  clips.filter(
    (c) =>
      c.truth.view === "face-on" &&
      ["swing", "step-swing"].includes(c.truth.reps[0]!.kind) &&
      c.truth.reps.length === 1,
  ),
);
fitLiveSquare(clips);
fitSettle(clips.filter((c) => foundByArms(rulesOf(c.truth)) && c.truth.reps.length === 1));
const told = pairs(clips.map((c) => compare(c, { errors: BARE })));
// Full turns alone would hide what little ones are told as. All else of those clips is seldom done.
const turnClips = truthClips("tools/study/kept/turns");
const turned = pairs(turnClips.map((c) => compare(c, { errors: BARE }))).measures;
for (const id of ["thoraxTurnBack", "pelvisTurnBack", "thoraxRange", "pelvisRange"])
  told.measures.get(id)!.push(...turned.get(id)!);
const seats = told.measures.get("hipsToBall")!.map((p) => p.value - p.truth);
console.log(
  `measures.farButtock: add ${mean(seats).toFixed(2)} ± ${deviation(seats).toFixed(2)} to ${MEASURE_FIT.farButtock}, n ${seats.length}`,
);
const table = tableOf(told);
writeFileSync("src/core/uncertainty/fitted.json", `${JSON.stringify(table, null, 1)}\n`);
fitTurned(turnClips, table);
console.log(
  `wrote ${Object.keys(table.measures).length} measures, ` +
    `${Object.keys(table.events).length} events, ${Object.keys(table.footEvents).length} ` +
    "foot events",
);

/** Scale, the chest's offset, and the channels' errors against exact joints. */
function constants(list: readonly TruthClip[]): void {
  const scales: number[] = [];
  const views: number[] = [];
  const rolls: number[] = [];
  const errors: Record<string, number[]> = { hip: [], head: [], shoulder: [], com: [], hands: [] };
  const chest: { x: number; y: number }[] = [];
  const hips: { x: number; y: number }[] = [];
  const ankles: { x: number; y: number }[] = [];
  const share: Record<"planted" | "stepping", number[]> = { planted: [], stepping: [] };
  for (const { truth, track: load } of list) {
    const first = truth.reps[0]!;
    if (
      !["swing", "step-swing", "gesture"].includes(first.kind) ||
      first.hipsOnly ||
      truth.reps.length > 1
    )
      continue;
    const golfer = { statureCm: truth.golfer.stature, hand: truth.golfer.hand };
    const track = finishTrack(load(), true);
    const scene = readScene(track, golfer, truth.view, {
      heightCm: truth.camera.height,
      hfovDeg: truth.camera.fov,
    });
    const still = truth.perFrame!.filter(
      (f) => f.t > first.events.address! - 250 && f.t <= first.events.address!,
    );
    const px = (name: string, axis: 0 | 1) => mean(still.map((f) => f.joints[name]!.px[axis]));
    const cm = (name: string, axis: 0 | 1) => mean(still.map((f) => f.joints[name]!.cm[axis]));
    const across =
      cm("lead.hip", 0) - cm("trail.hip", 0) + cm("lead.shoulder", 0) - cm("trail.shoulder", 0);
    const seen = Math.abs(
      px("lead.hip", 0) - px("trail.hip", 0) + px("lead.shoulder", 0) - px("trail.shoulder", 0),
    );
    scales.push(
      (SCENE_FIT.earsOverHeels * (across / seen)) /
        scene.scale.cmPerPx /
        Math.cos((truth.camera.yaw * Math.PI) / 180),
    );
    const motion = readMotion(track, scene, golfer);
    const [window] = split(track, motion, rulesOf(truth));
    if (!window) continue;
    const part = slice(motion, window);
    const rep = readRep(part, window, {
      rules: rulesOf(truth),
      smoother: pressureSmoother(part, false),
      strikes: { ms: [], u: 20 },
    });
    if (!rep) continue;
    const gap = first.measures.footGapAddress;
    if (gap)
      ankles.push({
        x:
          placeAt(part, "lead", "ankleT", first.events.address!) -
          placeAt(part, "trail", "ankleT", first.events.address!),
        y: gap,
      });
    views.push(scene.view.facing.deg - truth.camera.yaw);
    if (rep.roll !== 0) rolls.push(rep.roll - truth.camera.roll);
    const channel = (name: string, x: Float64Array, joint: string) => {
      const zero = mean(still.map((f) => valueAt(part, x, f.t) - f.joints[joint]!.cm[0]));
      for (const f of truth.perFrame!)
        if (f.t > first.events.handStart! && f.t < (first.events.impact ?? first.events.release!))
          errors[name]!.push(valueAt(part, x, f.t) - f.joints[joint]!.cm[0] - zero);
      return zero;
    };
    const hipZero = channel("hip", part.hipT, "midHip");
    const stands = (["lead", "trail"] as const).map(
      (side) => placeOnClock(part.feet[side], part.startMs, part.dt, part.n).ankleT,
    );
    for (const f of truth.perFrame!) {
      if (f.t < first.events.handStart! || f.t > (first.events.impact ?? first.events.release!))
        continue;
      const way = valueAt(part, part.hipT, f.t) - mean(stands.map((x) => valueAt(part, x, f.t)));
      hips.push({
        x: way / (1 + MOTION_FIT.hipsBelow),
        y: f.joints.midHip!.cm[0] + hipZero - valueAt(part, part.hipT, f.t),
      });
    }
    channel("head", part.headT, "head");
    channel("com", part.comT, "com");
    channel("hands", part.handsT, "midHands");
    const zero = channel("shoulder", part.shoulderT, "midShoulder");
    const list =
      share[
        first.footEvents.some(
          (e) => e.event === "liftOff" && e.t < (first.events.impact ?? Infinity),
        )
          ? "stepping"
          : "planted"
      ];
    for (const f of truth.perFrame!) {
      if (f.t < first.events.handStart! || f.t > (first.events.impact ?? first.events.release!))
        continue;
      const angle = Math.atan2(
        valueAt(part, part.handsT, f.t) - valueAt(part, part.shoulderT, f.t),
        -(valueAt(part, part.handsU, f.t) - valueAt(part, part.shoulderU, f.t)),
      );
      chest.push({
        x: Math.sin(0.6 * angle),
        y:
          (valueAt(part, part.shoulderT, f.t) - f.joints.midShoulder!.cm[0] - zero) /
          golfer.statureCm,
      });
      list.push(valueAt(part, rep.leadShare, f.t) - f.leadShare);
    }
  }
  console.log(
    `scene.earsOverHeels ${mean(scales).toFixed(4)} ± ${deviation(scales).toFixed(4)} (now ${SCENE_FIT.earsOverHeels})`,
  );
  console.log(
    `scene.facing: error ${mean(views).toFixed(1)} ± ${deviation(views).toFixed(1)}°, n ` +
      `${views.length} (says ± ${facing(0, 0).sd.toFixed(1)})`,
  );
  console.log(
    `roll by balance less the true one: ${mean(rolls).toFixed(2)} ± ${deviation(rolls).toFixed(2)}°, n ${rolls.length}`,
  );
  console.log(`motion.chestAhead: add ${slope(chest).toFixed(4)} of stature to what is there`);
  console.log(
    `measures.anklesApart ${slope(ankles).toFixed(4)}, n ${ankles.length} (now ${MEASURE_FIT.anklesApart})`,
  );
  console.log(`motion.hipsBelow: add ${slope(hips).toFixed(4)} to ${MOTION_FIT.hipsBelow}`);
  for (const [name, e] of Object.entries(errors))
    console.log(
      `noise.${name}: rms ${rms(e).toFixed(2)} cm, bias ${mean(e).toFixed(2)}, median size ` +
        `${median(e.map(Math.abs)).toFixed(2)}`,
    );
  for (const [name, e] of Object.entries(share))
    if (e.length)
      console.log(`share (${name}): rms ${rms(e).toFixed(1)} points, bias ${mean(e).toFixed(1)}`);
}

/** Slope of a line through nought. */
function slope(points: readonly { x: number; y: number }[]): number {
  return (
    points.reduce((sum, p) => sum + p.x * p.y, 0) / points.reduce((sum, p) => sum + p.x * p.x, 0)
  );
}
