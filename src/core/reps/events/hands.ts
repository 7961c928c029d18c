import { derivative } from "../../maths/filter";
import type { Motion } from "../../motion/motion";
import { EVENT_FIT, LEVEL_FIT } from "../fitted";
import { planeSpeed, smoothSpeed } from "./speed";
import { firstRun, risesThrough, toMs, vertex } from "../clock";

/** Speed of mid-hands in the picture plane, cm/s. */
export function handSpeed(m: Motion): Float64Array {
  return planeSpeed(m.handsT, m.handsU, m.dt);
}

/**
 * Speed of mid-hands against mid-shoulder in the picture plane, cm/s: a body that falls to one foot carries its hands
 * along without their having started.
 */
export function swingSpeed(m: Motion): Float64Array {
  return planeSpeed(m.handsT.map((t, i) => t - m.shoulderT[i]!), m.handsU.map((u, i) => u - m.shoulderU[i]!), m.dt);
}

/** Hand start: mid-hands faster than 15 cm/s against the shoulders for 100 ms, first time after sample `from`; interpolated to the crossing. */
export function handStart(m: Motion, speed: Float64Array, from: number, top: number): number {
  const i = firstRun((k) => speed[k]! > 15, Math.max(2, Math.round(0.1 / m.dt)), from, top);
  if (Number.isNaN(i)) return NaN;
  const crossing = risesThrough(speed, 15, Math.max(from, i - 2), i + 1);
  return toMs(m, Number.isNaN(crossing) ? i : crossing);
}

/** Swing angle of mid-hands about mid-shoulder in the picture plane, degrees, + away from the target. */
export function armAngle(handsT: Float64Array, handsU: Float64Array, shoulderT: Float64Array, shoulderU: Float64Array): Float64Array {
  return handsT.map((t, i) => (Math.atan2(-(t - shoulderT[i]!), -(handsU[i]! - shoulderU[i]!)) * 180) / Math.PI);
}

/**
 * Top: where the arm angle reverses, from the hands as followed in the picture, by the vertex of a parabola over ±4
 * samples (at 60 a second); from the network's hands where they were not followed. The picture plane sees the reversal
 * a little early (the hands still go up in depth): a fitted delay makes up for it.
 *
 * @param rough sample near the top
 */
export function top(m: Motion, rough: number): number {
  const reach = Math.round(0.2 / m.dt);
  const span = Math.max(2, Math.round(0.067 / m.dt));
  const find = (t: Float64Array, u: Float64Array) => {
    const angle = armAngle(t, u, m.shoulderT, m.shoulderU);
    let best = -1;
    for (let i = Math.max(span, rough - reach); i <= Math.min(m.n - 1 - span, rough + reach); i++)
      if (!Number.isNaN(angle[i]!) && (best < 0 || angle[i]! > angle[best]!)) best = i;
    return best < 0 ? NaN : vertex(angle, best, span);
  };
  const close = find(m.closeHandsT, m.closeHandsU);
  return toMs(m, Number.isNaN(close) ? find(m.handsT, m.handsU) : close) + EVENT_FIT.topLateMs;
}

/** Rough top: the largest arm angle before the hands' fastest fall. */
export function roughTopSample(m: Motion): number {
  const fall = derivative(m.handsU, m.dt);
  let down = 1;
  for (let i = 1; i < m.n - 1; i++) if (fall[i]! < fall[down]!) down = i;
  const angle = armAngle(m.handsT, m.handsU, m.shoulderT, m.shoulderU);
  let best = down;
  for (let i = down; i > 0 && (down - i) * m.dt < 0.6; i--) if (angle[i]! > angle[best]!) best = i;
  return best;
}

/**
 * The lead arm level with the ground: mid-hands rise through (going back) or fall through (coming down) the lead
 * shoulder's height. The network hardly sees the shoulders tilt, so that height is the middle's less a fitted share of
 * stature.
 */
export function armLevel(m: Motion, way: "back" | "down", from: number, to: number): number {
  const below = LEVEL_FIT[way] * m.statureCm;
  const above = m.handsU.map((u, i) => (way === "back" ? 1 : -1) * (u - m.shoulderU[i]! + below));
  return toMs(m, risesThrough(above, 0, from, to));
}

/**
 * Impact: mid-hands pass their address T on the way down; in stages with the club held ahead, or with a moving start,
 * that place says nothing and the hands' lowest instant stands for it.
 */
export function impact(m: Motion, rule: "passes address" | "lowest", topSample: number, addressHandsT: number): number {
  const last = Math.min(m.n - 1, Math.round(topSample + 0.7 / m.dt));
  if (rule === "passes address") return toMs(m, risesThrough(m.handsT, addressHandsT, topSample, last));
  let low = Math.ceil(topSample);
  for (let i = low; i <= last; i++) if (m.handsU[i]! < m.handsU[low]!) low = i;
  return toMs(m, vertex(m.handsU, low, Math.max(1, Math.round(0.034 / m.dt))));
}

/** Hands behind the head and hips seen from the side are noisy: cut-offs for their speeds at the finish, Hz. */
const FINISH_HANDS_HZ = 3;
const FINISH_HIPS_HZ = 1.5;

/**
 * Finish: mid-hands slower than 25 cm/s and mid-hip slower than 12 cm/s for 200 ms. The hands end by moving in depth,
 * which the picture does not show, so it sees them slow down a little early: a fitted delay makes up for it.
 */
export function finish(m: Motion, from: number): number {
  const hands = smoothSpeed(m.handsT, m.handsU, m.dt, FINISH_HANDS_HZ);
  const hips = smoothSpeed(m.hipT, m.hipU, m.dt, FINISH_HIPS_HZ);
  const quiet = (i: number) => hands[i]! < 25 && hips[i]! < 12;
  return toMs(m, firstRun(quiet, Math.round(0.2 / m.dt), Math.ceil(from), m.n - 1)) + EVENT_FIT.finishLateMs;
}
