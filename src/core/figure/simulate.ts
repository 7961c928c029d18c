import type { Vec3 } from "../maths";
import type { Body } from "./anthropometry";
import { balance, centreOfMass } from "./balance";
import { poser, type Pose } from "./pose";
import type { MovementScript } from "./script";

/** Clock of the exact motion, Hz. */
export const TRUTH_HZ = 240;

/**
 * A script played out: exact poses and centre of mass on a 240 Hz clock, and a pose for any time
 * between.
 */
export interface Simulation {
  body: Body;
  script: MovementScript;
  /** Seconds. */
  times: Float64Array;
  poses: Pose[];
  com: Vec3[];
  at(tSeconds: number): Pose;
}

/**
 * Plays a script on a body.
 *
 * @example
 * const sim = simulate(body(178), doubleStep());
 * sim.at(1.2).midHip; // [T, U, D] in cm
 */
export function simulate(body: Body, script: MovementScript): Simulation {
  const dt = 1 / TRUTH_HZ;
  const times = Float64Array.from(
    { length: Math.round(script.duration * TRUTH_HZ) + 1 },
    (_, i) => i * dt,
  );
  const at = poser(body, script);
  const pelvis = balance(body, script, at, times, dt);
  const poses = Array.from(times, (t, i) => at.pose(t, pelvis.t[i]!, pelvis.d[i]!));
  const between = (t: number): Pose => {
    const x = Math.min(Math.max(t / dt, 0), times.length - 1);
    const i = Math.min(Math.floor(x), times.length - 2);
    const on = (path: Float64Array) => path[i]! + (path[i + 1]! - path[i]!) * (x - i);
    return at.pose(t, on(pelvis.t), on(pelvis.d));
  };
  return { body, script, times, poses, com: poses.map((p) => centreOfMass(p, body)), at: between };
}
