import { add, mix, type Vec3, curve, type Knot } from "../maths";
import { DE_LEVA, type Body, type Segment } from "./anthropometry";
import type { Pose, Poser } from "./pose";
import type { MovementScript } from "./script";

/** Standard gravity, cm/s². */
export const GRAVITY = 980.665;

/** Calls back with every segment's share of the body's mass and the place of its centre. */
export function eachSegment(pose: Pose, body: Body, put: (mass: number, at: Vec3) => void): void {
  const shares = DE_LEVA[body.sex];
  const segment = (name: Segment, from: Vec3, to: Vec3) =>
    put(shares[name].mass, mix(from, to, shares[name].centre));
  segment("head", pose.head, pose.head);
  segment("trunk", pose.midShoulder, pose.midHip);
  for (const side of [pose.lead, pose.trail]) {
    segment("upperArm", side.shoulder, side.elbow);
    segment("forearm", side.elbow, side.wrist);
    segment("hand", pose.midHands, pose.midHands);
    segment("thigh", side.hip, side.knee);
    segment("shank", side.knee, side.ankle);
    segment("foot", side.heel, side.toe);
  }
}

/**
 * Whole-body centre of mass of a pose, cm (segment masses after de Leva 1996; the club has none).
 */
export function centreOfMass(pose: Pose, body: Body): Vec3 {
  let sum: Vec3 = [0, 0, 0];
  eachSegment(
    pose,
    body,
    (mass, at) => (sum = add(sum, [at[0] * mass, at[1] * mass, at[2] * mass])),
  );
  return sum;
}

/** Where mid-hip is along T and D, cm, one value per sample. */
export interface PelvisPath {
  t: Float64Array;
  d: Float64Array;
}

/**
 * Where the pelvis must be so that the body's centre of mass obeys the inverted pendulum x″ =
 * (g/h)(x − p), along T and along D, under the scripted pressure p. The pendulum runs away forward
 * in time, so it is solved as a boundary-value problem (at rest over the pressure at both ends),
 * and the pelvis is moved until the pose's own centre of mass lies there.
 *
 * @param dt sample spacing, s
 */
export function balance(
  body: Body,
  script: MovementScript,
  poser: Poser,
  times: Float64Array,
  dt: number,
): PelvisPath {
  const n = times.length;
  const pressure = scriptedPressure(stillUntilPush(body, script, poser, times, dt), poser, times);
  // Hips stand behind the pressure to balance the bent trunk.
  const pelvis: PelvisPath = {
    t: Float64Array.from(pressure.t),
    d: pressure.d.map((d) => d - 0.06 * body.stature),
  };
  const com = { t: new Float64Array(n), d: new Float64Array(n) };
  const height = new Float64Array(n);
  for (let pass = 0; pass < 9; pass++) {
    for (let i = 0; i < n; i++) {
      const at = centreOfMass(poser.pose(times[i]!, pelvis.t[i]!, pelvis.d[i]!), body);
      [com.t[i], height[i], com.d[i]] = at;
    }
    for (const axis of ["t", "d"] as const) {
      const wanted = pendulum(pressure[axis], height, dt);
      // The legs follow only in part, so a move of the pelvis moves the centre of mass by about
      // seven eighths of it.
      for (let i = 0; i < n; i++) pelvis[axis][i]! += (wanted[i]! - com[axis][i]!) * 1.12;
    }
  }
  return pelvis;
}

/**
 * A body that is to stand still until its first push must push just so hard that what comes later
 * does not already move it: each push's knot of the share is set to that (the answer is linear in
 * it, so two trials give it).
 */
function stillUntilPush(
  body: Body,
  script: MovementScript,
  poser: Poser,
  times: Float64Array,
  dt: number,
): MovementScript {
  let share = script.leadShare;
  const height = new Float64Array(times.length).fill(centreOfMass(poser.pose(0, 0, 0), body)[1]);
  for (const pushAt of script.pushes) {
    const index = share.findIndex((k) => k[0] === pushAt);
    if (index < 1) throw new RangeError(`no knot of the share before the push at ${pushAt} s`);
    const withPush = (value: number) =>
      share.map((k, i): Knot => (i === index ? [k[0], value] : k));
    const start = Math.round(share[index - 1]![0] / dt);
    // What came before has settled by then: only what follows counts.
    const creep = (value: number) => {
      const x = pendulum(
        scriptedPressure(
          { ...script, leadShare: withPush(value).slice(index - 1) },
          poser,
          times,
          start,
        ).t,
        height,
        dt,
      );
      return x[start + 1]! - x[start - 1]!;
    };
    const [low, high] = [creep(20), creep(60)];
    share = withPush(Math.min(Math.max(20 + (40 * low) / (low - high), 4), 96));
  }
  return { ...script, leadShare: share };
}

/**
 * The scripted pressure, cm: along T by share while both feet are down, under the standing foot
 * otherwise; along D at the scripted part of the feet's length.
 *
 * @param settled samples before this one stand as at it
 */
function scriptedPressure(
  script: MovementScript,
  poser: Poser,
  times: Float64Array,
  settled = 0,
): PelvisPath {
  const share = curve(script.leadShare);
  const depth = curve(script.pressureDepth?.length ? script.pressureDepth : [[0, 50]]);
  const out: PelvisPath = { t: new Float64Array(times.length), d: new Float64Array(times.length) };
  for (let i = settled; i < times.length; i++) {
    const t = times[i]!;
    const lead = poser.foot("lead", t);
    const trail = poser.foot("trail", t);
    const part = lead.airborne ? 0 : trail.airborne ? 1 : share(t) / 100;
    const along = depth(t) / 100;
    const at = (foot: typeof lead) => foot.heel[2] + along * (foot.toe[2] - foot.heel[2]);
    out.t[i] = trail.centreT + part * (lead.centreT - trail.centreT);
    out.d[i] = at(trail) + part * (at(lead) - at(trail));
  }
  out.t.fill(out.t[settled]!, 0, settled);
  out.d.fill(out.d[settled]!, 0, settled);
  return out;
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
