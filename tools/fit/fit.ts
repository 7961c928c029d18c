/**
 * Fits the constants of the fitted.ts files in src/core on rendered clips with truth: `npm run fit`. Prints what to put there.
 * Spreads are taken over all clips; where bodies are few they say more of poses than of bodies.
 */
import { findStage } from "../../src/core/drills";
import { deviation, mean, median } from "../../src/core/maths/stats";
import { readMotion } from "../../src/core/motion/motion";
import { valueAt } from "../../src/core/reps/clock";
import { readRep } from "../../src/core/reps/rep";
import { pressureSmoother } from "../../src/core/reps/share";
import { readScene } from "../../src/core/scene/scene";
import { SCENE_FIT } from "../../src/core/scene/fitted";
import { finishTrack } from "../../src/core/track/finishTrack";
import { truthClips } from "../truthFile";

const scales: number[] = [];
const errors: Record<string, number[]> = { hip: [], head: [], shoulder: [], com: [], hands: [] };
const events: Record<string, number[]> = {};
const chest: { x: number; y: number }[] = [];
const share: number[] = [];
for (const { id, track: raw, truth } of truthClips()) {
  const golfer = { statureCm: truth.golfer.stature, hand: truth.golfer.hand };
  const track = finishTrack(raw);
  const scene = readScene(track, golfer);
  const motion = readMotion(track, scene, golfer);
  const focal = truth.camera.width / 2 / Math.tan((truth.camera.fov * Math.PI) / 360);
  // True scale at the hips, which stand 0.06 of stature behind the ankles.
  const trueScale = (truth.camera.distance + 0.06 * truth.golfer.stature) / focal;
  scales.push((SCENE_FIT.earsOverHeels * trueScale) / scene.scale.cmPerPx);
  const rules = truth.drill === "none" ? { kind: "swing" as const, clubAhead: false } : findStage(truth.drill).stage.rules;
  const rep = readRep(motion, rules, pressureSmoother(motion), track.times[scene.still!.from]!);
  if (!rep) throw new Error(`${id}: no rep`);
  const still = truth.perFrame.filter((f) => f.t > truth.events.address! - 250 && f.t <= truth.events.address!);
  const channel = (name: string, x: Float64Array, joint: string) => {
    const zero = mean(still.map((f) => valueAt(motion, x, f.t) - f.joints[joint]!.cm[0]));
    for (const f of truth.perFrame) if (f.t > truth.events.handStart! && f.t < truth.events.impact!) errors[name]!.push(valueAt(motion, x, f.t) - f.joints[joint]!.cm[0] - zero);
    return zero;
  };
  channel("hip", motion.hipT, "midHip");
  channel("head", motion.headT, "head");
  channel("com", motion.comT, "com");
  channel("hands", motion.handsT, "midHands");
  const zero = channel("shoulder", motion.shoulderT, "midShoulder");
  for (const f of truth.perFrame) {
    if (f.t < truth.events.handStart! || f.t > truth.events.impact!) continue;
    const angle = Math.atan2(valueAt(motion, motion.handsT, f.t) - valueAt(motion, motion.shoulderT, f.t), -(valueAt(motion, motion.handsU, f.t) - valueAt(motion, motion.shoulderU, f.t)));
    chest.push({ x: Math.sin(0.6 * angle), y: (valueAt(motion, motion.shoulderT, f.t) - f.joints.midShoulder!.cm[0] - zero) / golfer.statureCm });
    share.push(valueAt(motion, rep.leadShare, f.t) - f.leadShare);
  }
  for (const [name, t] of Object.entries(rep.events)) if (!Number.isNaN(t) && truth.events[name] !== undefined) (events[name] ??= []).push(t - truth.events[name]);
  for (const e of rep.footEvents) {
    const same = truth.footEvents.filter((x) => x.foot === e.foot && x.event === e.event).map((x) => e.ms - x.t).sort((a, b) => Math.abs(a) - Math.abs(b))[0];
    if (same !== undefined) (events[`${e.foot} ${e.event}`] ??= []).push(same);
  }
}
const rms = (x: number[]) => Math.sqrt(mean(x.map((v) => v * v)));
console.log(`scene.earsOverHeels ${mean(scales).toFixed(4)} ± ${deviation(scales).toFixed(4)} (now ${SCENE_FIT.earsOverHeels}); each: ${scales.map((s) => s.toFixed(3)).join(" ")}`);
const sxy = chest.reduce((s, p) => s + p.x * p.y, 0);
const sxx = chest.reduce((s, p) => s + p.x * p.x, 0);
console.log(`motion.chestAhead: add ${(sxy / sxx).toFixed(4)} of stature to what is there`);
for (const [name, e] of Object.entries(errors)) console.log(`noise.${name}: rms ${rms(e).toFixed(2)} cm, bias ${mean(e).toFixed(2)}`);
console.log(`share: rms ${rms(share).toFixed(1)} points, bias ${mean(share).toFixed(1)}`);
for (const [name, e] of Object.entries(events)) console.log(`${name}: n ${e.length}, median ${median(e).toFixed(0)}, rms ${rms(e).toFixed(0)} ms: ${e.map((v) => v.toFixed(0)).join(" ")}`);
