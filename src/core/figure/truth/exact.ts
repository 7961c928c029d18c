import { sub, type Vec3 } from "../../maths";
import { GRAVITY } from "../balance";
import type { Pose, Side } from "../pose";
import { TRUTH_HZ, type Simulation } from "../simulate";

export type Foot = "lead" | "trail";
export const FEET = ["lead", "trail"] as const;

/**
 * Exact channels of a simulation on its 240 Hz clock, worked out once. T, U, D in cm, speeds in
 * cm/s, angles in degrees.
 */
export interface Exact {
  sim: Simulation;
  n: number;
  speed: {
    hands: Float64Array;
    swing: Float64Array;
    hip: Float64Array;
    head: Float64Array;
    leadAnkle: Float64Array;
    trailAnkle: Float64Array;
  };
  hip: { t: Float64Array; u: Float64Array };
  head: { t: Float64Array; u: Float64Array };
  shoulder: { t: Float64Array; u: Float64Array };
  hands: { t: Float64Array; u: Float64Array };
  /** Arm angle about mid-shoulder in the picture plane, + on the trail side. */
  armAngle: Float64Array;
  pelvisTurn: Float64Array;
  thoraxTurn: Float64Array;
  /** Plain-pendulum pressure along T, not clamped. */
  cop: Float64Array;
}

export const of = (sim: Simulation, get: (p: Pose) => number): Float64Array =>
  Float64Array.from(sim.poses, get);
export const ofSide = (sim: Simulation, foot: Foot, get: (s: Side) => number): Float64Array =>
  Float64Array.from(sim.poses, (p) => get(p[foot]));

/** Degrees about U of an across-axis (trail to lead), + turned toward the target; unwrapped. */
function turnOf(sim: Simulation, axis: (p: Pose) => Vec3): Float64Array {
  let before = 0;
  return Float64Array.from(sim.poses, (p) => {
    const a = axis(p);
    const raw = (Math.atan2(-a[2], a[0]) * 180) / Math.PI;
    before = raw + 360 * Math.round((before - raw) / 360);
    return before;
  });
}

export function exactChannels(sim: Simulation): Exact {
  const point = (get: (p: Pose) => Vec3) => ({
    t: of(sim, (p) => get(p)[0]),
    u: of(sim, (p) => get(p)[1]),
  });
  const n = sim.poses.length;
  const dt = 1 / TRUTH_HZ;
  return {
    sim,
    n,
    speed: {
      hands: speed(sim, (p) => p.midHands),
      // Against the shoulders: a body that falls to one foot carries its hands along without their
      // having started.
      swing: speed(sim, (p) => sub(p.midHands, p.midShoulder)),
      hip: speed(sim, (p) => p.midHip),
      head: speed(sim, (p) => p.head),
      leadAnkle: speed(sim, (p) => p.lead.ankle),
      trailAnkle: speed(sim, (p) => p.trail.ankle),
    },
    hip: point((p) => p.midHip),
    head: point((p) => p.head),
    shoulder: point((p) => p.midShoulder),
    hands: point((p) => p.midHands),
    armAngle: of(
      sim,
      (p) =>
        (Math.atan2(-(p.midHands[0] - p.midShoulder[0]), -(p.midHands[1] - p.midShoulder[1])) *
          180) /
        Math.PI,
    ),
    pelvisTurn: turnOf(sim, (p) => p.pelvisAcross),
    thoraxTurn: turnOf(sim, (p) => p.thoraxAcross),
    cop: Float64Array.from({ length: n }, (_, i) => {
      const k = Math.min(Math.max(i, 1), n - 2);
      const acceleration =
        (sim.com[k + 1]![0] - 2 * sim.com[k]![0] + sim.com[k - 1]![0]) / (dt * dt);
      return sim.com[k]![0] - (sim.com[k]![1] / GRAVITY) * acceleration;
    }),
  };
}

function speed(sim: Simulation, part: (p: Pose) => Vec3): Float64Array {
  const n = sim.poses.length;
  return Float64Array.from({ length: n }, (_, i) => {
    const from = Math.max(i - 1, 0);
    const to = Math.min(i + 1, n - 1);
    const a = part(sim.poses[from]!);
    const b = part(sim.poses[to]!);
    return (Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) * TRUTH_HZ) / (to - from);
  });
}
