/**
 * Fits what the core takes from data, on the fit set alone (bodies and clothes that the reported set does not have):
 * `npm run fit [-- CLIPS TRACKS]`. Prints the few constants of the fitted.ts files beside what is there now, and writes the
 * table of method errors, src/core/uncertainty/fitted.json.
 */
import { writeFileSync } from "node:fs";
import { deviation, mean, median } from "../../src/core/maths/stats";
import { readMotion } from "../../src/core/motion/motion";
import { valueAt } from "../../src/core/reps/clock";
import { readRep } from "../../src/core/reps/readRep";
import { slice, split } from "../../src/core/reps/split";
import { pressureSmoother } from "../../src/core/reps/weight";
import { readScene } from "../../src/core/scene/scene";
import { SCENE_FIT } from "../../src/core/scene/fitted";
import { finishTrack } from "../../src/core/track/finishTrack";
import { compare, pairs, rulesOf } from "../study/compare";
import { truthClips, type TruthClip } from "../study/truthClip";
import { BARE, tableOf } from "./errorTable";

const [clipsDir = ".work/clips/fit", tracksDir = ".work/tracks/fit"] = process.argv.slice(2);
const clips = truthClips(clipsDir, tracksDir);
console.log(`${clips.length} clips`);
const rms = (x: readonly number[]) => Math.sqrt(mean(x.map((v) => v * v)));

constants(clips.filter((c) => c.truth.perFrame && c.truth.view === "face-on"));
const compared = clips.map((c) => compare(c, { errors: BARE }));
const table = tableOf(pairs(compared));
writeFileSync("src/core/uncertainty/fitted.json", `${JSON.stringify(table, null, 1)}\n`);
console.log(`wrote ${Object.keys(table.measures).length} measures, ${Object.keys(table.events).length} events, ${Object.keys(table.footEvents).length} foot events`);

/** Scale, the chest's offset, and the channels' errors against exact joints. */
function constants(list: readonly TruthClip[]): void {
  const scales: number[] = [];
  const views: number[] = [];
  const rolls: number[] = [];
  const errors: Record<string, number[]> = { hip: [], head: [], shoulder: [], com: [], hands: [] };
  const chest: { x: number; y: number }[] = [];
  const share: Record<"planted" | "stepping", number[]> = { planted: [], stepping: [] };
  for (const { truth, track: load } of list) {
    const first = truth.reps[0]!;
    if (!["swing", "step-swing", "gesture"].includes(first.kind) || first.hipsOnly || truth.reps.length > 1) continue;
    const golfer = { statureCm: truth.golfer.stature, hand: truth.golfer.hand };
    const track = finishTrack(load(), true);
    const scene = readScene(track, golfer, truth.view, { heightCm: truth.camera.height, hfovDeg: truth.camera.fov });
    const still = truth.perFrame!.filter((f) => f.t > first.events.address! - 250 && f.t <= first.events.address!);
    const px = (name: string, axis: 0 | 1) => mean(still.map((f) => f.joints[name]!.px[axis]));
    const cm = (name: string, axis: 0 | 1) => mean(still.map((f) => f.joints[name]!.cm[axis]));
    const across = cm("lead.hip", 0) - cm("trail.hip", 0) + cm("lead.shoulder", 0) - cm("trail.shoulder", 0);
    const seen = Math.abs(px("lead.hip", 0) - px("trail.hip", 0) + px("lead.shoulder", 0) - px("trail.shoulder", 0));
    scales.push((SCENE_FIT.earsOverHeels * (across / seen)) / scene.scale.cmPerPx / Math.cos((truth.camera.yaw * Math.PI) / 180));
    const motion = readMotion(track, scene, golfer);
    const [window] = split(track, motion, rulesOf(truth));
    if (!window) continue;
    const part = slice(motion, window);
    const rep = readRep(part, window, { rules: rulesOf(truth), smoother: pressureSmoother(part), strikes: { ms: [], u: 20 } });
    if (!rep) continue;
    // What the heels alone said, before it was weighed against the prior.
    if (scene.view.u < 5) views.push((scene.view.errorDeg * (25 + SCENE_FIT.viewSd ** 2)) / 25 - truth.camera.yaw);
    if (rep.roll !== 0) rolls.push(rep.roll - truth.camera.roll);
    const channel = (name: string, x: Float64Array, joint: string) => {
      const zero = mean(still.map((f) => valueAt(part, x, f.t) - f.joints[joint]!.cm[0]));
      for (const f of truth.perFrame!) if (f.t > first.events.handStart! && f.t < (first.events.impact ?? first.events.release!)) errors[name]!.push(valueAt(part, x, f.t) - f.joints[joint]!.cm[0] - zero);
      return zero;
    };
    channel("hip", part.hipT, "midHip");
    channel("head", part.headT, "head");
    channel("com", part.comT, "com");
    channel("hands", part.handsT, "midHands");
    const zero = channel("shoulder", part.shoulderT, "midShoulder");
    const list = share[first.footEvents.some((e) => e.event === "liftOff" && e.t < (first.events.impact ?? Infinity)) ? "stepping" : "planted"];
    for (const f of truth.perFrame!) {
      if (f.t < first.events.handStart! || f.t > (first.events.impact ?? first.events.release!)) continue;
      const angle = Math.atan2(valueAt(part, part.handsT, f.t) - valueAt(part, part.shoulderT, f.t), -(valueAt(part, part.handsU, f.t) - valueAt(part, part.shoulderU, f.t)));
      chest.push({ x: Math.sin(0.6 * angle), y: (valueAt(part, part.shoulderT, f.t) - f.joints.midShoulder!.cm[0] - zero) / golfer.statureCm });
      list.push(valueAt(part, rep.leadShare, f.t) - f.leadShare);
    }
  }
  console.log(`scene.earsOverHeels ${mean(scales).toFixed(4)} ± ${deviation(scales).toFixed(4)} (now ${SCENE_FIT.earsOverHeels})`);
  console.log(`scene.viewSd: error ${mean(views).toFixed(1)} ± ${deviation(views).toFixed(1)}°, n ${views.length} (now ${SCENE_FIT.viewSd})`);
  console.log(`roll by balance less the true one: ${mean(rolls).toFixed(2)} ± ${deviation(rolls).toFixed(2)}°, n ${rolls.length}`);
  const sxy = chest.reduce((s, p) => s + p.x * p.y, 0);
  const sxx = chest.reduce((s, p) => s + p.x * p.x, 0);
  console.log(`motion.chestAhead: add ${(sxy / sxx).toFixed(4)} of stature to what is there`);
  for (const [name, e] of Object.entries(errors)) console.log(`noise.${name}: rms ${rms(e).toFixed(2)} cm, bias ${mean(e).toFixed(2)}, median size ${median(e.map(Math.abs)).toFixed(2)}`);
  for (const [name, e] of Object.entries(share)) if (e.length) console.log(`share (${name}): rms ${rms(e).toFixed(1)} points, bias ${mean(e).toFixed(1)}`);
}
