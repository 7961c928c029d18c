import { add, mix, type Vec3 } from "../maths/vec3";
import { curve } from "../maths/curve";
import { DE_LEVA, type Body, type Segment } from "./anthropometry";
import type { Pose, Poser, Side } from "./pose";
import type { MovementScript } from "./script";

/** Standard gravity, cm/s². */
export const GRAVITY = 980.665;

/** Whole-body centre of mass of a pose, cm (segment masses after de Leva 1996; the club has none). */
export function centreOfMass(pose: Pose, body: Body): Vec3 {
  const shares = DE_LEVA[body.sex];
  let sum: Vec3 = [0, 0, 0];
  const put = (segment: Segment, from: Vec3, to: Vec3) => {
    const { mass, centre } = shares[segment];
    const at = mix(from, to, centre);
    sum = add(sum, [at[0] * mass, at[1] * mass, at[2] * mass]);
  };
  put("head", pose.head, pose.head);
  put("trunk", pose.midShoulder, pose.midHip);
  const limbs = (side: Side) => {
    put("upperArm", side.shoulder, side.elbow);
    put("forearm", side.elbow, side.wrist);
    put("hand", pose.midHands, pose.midHands);
    put("thigh", side.hip, side.knee);
    put("shank", side.knee, side.ankle);
    put("foot", side.heel, side.toe);
  };
  limbs(pose.lead);
  limbs(pose.trail);
  return sum;
}

/**
 * Where the pelvis must be (cm along T, one value per sample) so that the body's centre of mass obeys the inverted
 * pendulum x″ = (g/h)(x − p) under the scripted pressure p. The pendulum runs away forward in time, so it is solved as
 * a boundary-value problem (at rest over the pressure at both ends), and the pelvis is moved until the pose's own
 * centre of mass lies there.
 *
 * @param dt sample spacing, s
 */
export function balance(body: Body, script: MovementScript, poser: Poser, times: Float64Array, dt: number): Float64Array {
  const n = times.length;
  const pressure = scriptedPressure(stillUntilPush(body, script, poser, times, dt), poser, times);
  const pelvis = new Float64Array(n);
  for (let pass = 0; pass < 6; pass++) {
    const com = new Float64Array(n);
    const height = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const at = centreOfMass(poser.pose(times[i]!, pelvis[i]!), body);
      com[i] = at[0];
      height[i] = at[1];
    }
    const wanted = pendulum(pressure, height, dt);
    // The legs follow only in part, so a move of the pelvis moves the centre of mass by about seven eighths of it.
    for (let i = 0; i < n; i++) pelvis[i]! += (wanted[i]! - com[i]!) * 1.12;
  }
  return pelvis;
}

/**
 * A body that is to stand still until its first push must push just so hard that what comes later does not already move
 * it: the second knot of the share is set to that push (the answer is linear in it, so two trials give it).
 */
function stillUntilPush(body: Body, script: MovementScript, poser: Poser, times: Float64Array, dt: number): MovementScript {
  const push = script.leadShare[1];
  if (!script.stillStart || !push) return script;
  const withPush = (share: number): MovementScript => ({ ...script, leadShare: script.leadShare.map((k, i) => (i === 1 ? [k[0], share] : k)) });
  const height = new Float64Array(times.length).fill(centreOfMass(poser.pose(0, 0), body)[1]);
  const start = Math.round(script.leadShare[0]![0] / dt);
  const creep = (share: number) => {
    const x = pendulum(scriptedPressure(withPush(share), poser, times), height, dt);
    return x[start + 1]! - x[start - 1]!;
  };
  const [low, high] = [creep(20), creep(60)];
  const share = 20 + (40 * low) / (low - high);
  return withPush(Math.min(Math.max(share, 4), 96));
}

/** The scripted pressure along T, cm: by share while both feet are down, under the standing foot otherwise. */
export function scriptedPressure(script: MovementScript, poser: Poser, times: Float64Array): Float64Array {
  const share = curve(script.leadShare);
  return Float64Array.from(times, (t) => {
    const lead = poser.foot("lead", t);
    const trail = poser.foot("trail", t);
    const part = lead.airborne ? 0 : trail.airborne ? 1 : share(t) / 100;
    return trail.centreT + part * (lead.centreT - trail.centreT);
  });
}

/** Solves x − (h/g)x″ = p with x = p at both ends (tridiagonal, Thomas algorithm). */
function pendulum(p: Float64Array, h: Float64Array, dt: number): Float64Array {
  const n = p.length;
  const upper = new Float64Array(n);
  const right = new Float64Array(n);
  right[0] = p[0]!;
  for (let i = 1; i < n - 1; i++) {
    const k = h[i]! / GRAVITY / (dt * dt);
    const pivot = 1 + 2 * k + k * upper[i - 1]!;
    upper[i] = -k / pivot;
    right[i] = (p[i]! + k * right[i - 1]!) / pivot;
  }
  const x = new Float64Array(n);
  x[n - 1] = p[n - 1]!;
  for (let i = n - 2; i >= 0; i--) x[i] = right[i]! - upper[i]! * x[i + 1]!;
  return x;
}
