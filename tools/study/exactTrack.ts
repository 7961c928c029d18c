import type { Simulation } from "../../src/core/figure/simulate";
import type { Pose, Side } from "../../src/core/figure/pose";
import type { Vec3 } from "../../src/core/maths/vec3";
import {
  at,
  EDGES,
  OUTLINE,
  POINT,
  POINTS,
  STRIDE,
  type FootPath,
  type Track,
} from "../../src/core/track/track";
import { SHOWN } from "../../src/core/reps/events/heelRise";
import { SHOE_FIT, shoeDepth, shoeEdges } from "../../src/core/motion/shoe";
import { SCENE_FIT } from "../../src/core/scene/fitted";
import { roughReps } from "../../src/core/track/roughReps";
import { plantedSpells } from "../../src/core/track/plantedSpells";
import { pinhole, toWorld } from "../clips/camera";

export interface ExactOptions {
  hand: "left" | "right";
  fps: number;
  distance: number;
  height_px: number;
}

/**
 * The track that a perfect network and perfect template tracking would have made of a simulation:
 * exact joints, projected.
 */
export function exactTrack(sim: Simulation, o: ExactOptions): Track {
  const width = Math.round((o.height_px * 16) / 9);
  const cam = pinhole({
    view: "face-on",
    golfer: { hand: o.hand },
    camera: {
      distance: o.distance,
      height: 105,
      fov: 67,
      roll: 0,
      yaw: 0,
      width,
      height_px: o.height_px,
      fps: o.fps,
    },
  });
  const px = (p: Vec3) => cam.project(toWorld(p, o.hand));
  const n = Math.floor(sim.script.duration * o.fps);
  const times = Float64Array.from({ length: n }, (_, i) => (i * 1000) / o.fps);
  const poses = Array.from(times, (t) => sim.at(t / 1000));
  const landmarks = new Float32Array(n * POINTS * STRIDE);
  const leftIs = o.hand === "right" ? "lead" : "trail";
  // The network puts heels higher and ears lower than they are, and scale is read from their
  // distance.
  const tall = sim.body.stature;
  const stands =
    (sim.poses[0]!.lead.ear[1] +
      sim.poses[0]!.trail.ear[1] -
      sim.poses[0]!.lead.heel[1] -
      sim.poses[0]!.trail.heel[1]) /
    2;
  const raised = (p: Vec3): Vec3 => [p[0], p[1] + stands - SCENE_FIT.earsOverHeels * tall, p[2]];
  const side = (pose: Pose, name: "left" | "right"): Side =>
    (name === "left") === (leftIs === "lead") ? pose.lead : pose.trail;
  poses.forEach((pose, i) => {
    const put = (point: number, p: Vec3) => landmarks.set([...px(p), 0.99, 1], at(i, point));
    for (let p = 0; p < POINTS; p++) put(p, pose.head);
    for (const name of ["left", "right"] as const) {
      const s = side(pose, name);
      const joints = {
        Ear: s.ear,
        Shoulder: s.shoulder,
        Elbow: s.elbow,
        Wrist: pose.midHands,
        Index: pose.midHands,
        Hip: s.hip,
        Knee: s.knee,
        Ankle: s.ankle,
        Heel: raised(s.heel),
        Toe: s.toe,
      } as const;
      for (const [joint, p] of Object.entries(joints))
        put(POINT[`${name}${joint as keyof typeof joints}`], p);
    }
  });
  const bare = { times, landmarks };
  const footPaths = (["left", "right"] as const).flatMap((foot) =>
    plantedSpells(bare, foot).flatMap((spell) => {
      const from = Math.max(0, spell.from - Math.round(0.26 * o.fps));
      const to = Math.min(n - 1, spell.to + Math.round(0.26 * o.fps));
      const middle = (spell.from + spell.to) >> 1;
      return (["heel", "toe", "whole"] as const).map((part): FootPath => {
        const place = (i: number) => px(side(poses[i]!, foot)[part === "toe" ? "toe" : "heel"]);
        const [x0, y0] = place(middle);
        const path = Array.from({ length: to - from + 1 }, (_, k) => place(from + k));
        return {
          foot,
          part,
          plantedFrom: spell.from,
          plantedTo: spell.to,
          from,
          dx: Float32Array.from(path, (p) => p[0] - x0),
          dy: Float32Array.from(path, (p) => p[1] - y0),
          residual: new Float32Array(path.length).fill(1),
        };
      });
    }),
  );
  const presence = new Float32Array(n).fill(1);
  const tops = roughReps({ ...bare, presence });
  for (const foot of ["left", "right"] as const)
    for (const spell of plantedSpells(bare, foot))
      for (const { top, low } of tops) {
        const [from, to] = [
          Math.max(spell.from + 2, top - Math.round(RISE_S.before * o.fps)),
          Math.min(n - 1, low + Math.round(RISE_S.after * o.fps)),
        ];
        const stillUntil = Math.max(Math.min(top, spell.to), from + 5);
        if (stillUntil > low || spell.to < stillUntil || (top - spell.to) / o.fps > 0.12) continue;
        const heel = (i: number) => px(side(poses[i]!, foot).heel);
        const [x0, y0] = heel(from);
        const path = Array.from({ length: to - from + 1 }, (_, k) => heel(from + k));
        footPaths.push({
          foot,
          part: "rise",
          plantedFrom: spell.from,
          plantedTo: spell.to,
          from,
          dx: Float32Array.from(path, (p) => (p[0] - x0) * UPPER),
          dy: Float32Array.from(path, (p) => (p[1] - y0) * UPPER),
          residual: new Float32Array(path.length).fill(1),
        });
      }
  return {
    times,
    landmarks,
    outline: new Float32Array(n * OUTLINE).fill(NaN),
    footEdges: edgesOf(poses, tall, side, px),
    presence,
    footPaths,
    handsPaths: [],
    looks: [],
    sounds: [],
    others: [],
    video: {
      width,
      height: o.height_px,
      frames: n,
      fps: o.fps,
      rotation: 0,
      audio: false,
      durationMs: (n * 1000) / o.fps,
    },
    crop: { cx: width / 2, cy: o.height_px / 2, size: o.height_px * 0.6 },
    model: "exact",
  };
}

/**
 * The upper of a shoe is followed from this long before a swing's top until after its lowest hands,
 * s; and rises, seen from the front, by this share of its heel (docs/decisions/08, 12).
 */
const RISE_S = { before: 0.25, after: 0.7 };
const UPPER = SHOWN / 1.5;

/** Where the pictures of both shoes end, as core knows a shoe; hidden (NaN) where they overlap. */
function edgesOf(
  poses: readonly Pose[],
  statureCm: number,
  side: (pose: Pose, name: "left" | "right") => Side,
  px: (p: Vec3) => [number, number],
): Float32Array {
  const out = new Float32Array(poses.length * EDGES);
  poses.forEach((pose, i) => {
    const [left, right] = (["left", "right"] as const).map((name) => {
      const [foot, other] = [side(pose, name), side(pose, name === "left" ? "right" : "left")];
      const [x, y] = px(foot.ankle);
      const [aside, near] = [
        px([foot.ankle[0] + 1, foot.ankle[1], foot.ankle[2]])[0] - x,
        px([foot.ankle[0], foot.ankle[1], foot.ankle[2] + 1])[1] - y,
      ];
      const lens = Math.sign(near);
      const angle = Math.atan2(
        (foot.toe[0] - foot.heel[0]) * Math.sign(aside),
        (foot.toe[2] - foot.heel[2]) * lens,
      );
      const outward =
        px([foot.ankle[0], foot.ankle[1], foot.ankle[2] + lens * SHOE_FIT.toe * statureCm])[0] - x;
      const edges = shoeEdges(
        SHOE_FIT,
        angle,
        px(other.ankle)[0] > x ? 1 : -1,
        outward / Math.abs(aside) / statureCm,
      );
      const lowest = px([
        foot.heel[0],
        Math.min(foot.heel[1], foot.toe[1]),
        foot.heel[2] + lens * shoeDepth(SHOE_FIT, angle) * statureCm,
      ]);
      return [...edges.map((e) => x + e * statureCm * Math.abs(aside)), lowest[1]] as [
        number,
        number,
        number,
      ];
    });
    const apart = left![0] > right![1] || right![0] > left![1];
    const hidden = (inner: boolean, v: number) => (apart || !inner ? v : NaN);
    const leftIsRight = left![0] > right![0];
    out.set(
      [
        hidden(leftIsRight, left![0]),
        hidden(!leftIsRight, left![1]),
        left![2],
        hidden(!leftIsRight, right![0]),
        hidden(leftIsRight, right![1]),
        right![2],
      ],
      i * EDGES,
    );
  });
  return out;
}
