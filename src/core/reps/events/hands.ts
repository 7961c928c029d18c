import { derivative, filtfilt, lowPass, median } from "../../maths";
import { type Motion, perMotion } from "../../motion";
import { EVENT_FIT, LEVEL_FIT } from "../fitted";
import { heldFrom } from "./hold";
import { planeSpeed } from "./speed";
import { firstRun, risesThrough, toMs, toSample, vertex } from "../clock";

/** Speed of mid-hands in the picture plane, cm/s. */
export const handSpeed = perMotion((m) => planeSpeed(m.handsT, m.handsU, m.dt));

function less(x: Float64Array, y: Float64Array): Float64Array {
  const out = new Float64Array(x.length);
  for (let i = 0; i < out.length; i++) out[i] = x[i]! - y[i]!;
  return out;
}

/**
 * A body that falls carries its hands along slowly; faster changes of the network's shoulders are
 * its own, Hz.
 */
const CARRIED_HZ = 2.5;

/**
 * Mid-shoulder as the body's own slow movement carries it, [T, U] in cm: what hands move against.
 */
const carried = perMotion((m): readonly [t: Float64Array, u: Float64Array] => {
  const slow = lowPass(CARRIED_HZ, m.dt);
  return [filtfilt(slow, m.shoulderT), filtfilt(slow, m.shoulderU)];
});

/**
 * Speed of mid-hands against mid-shoulder in the picture plane, cm/s: a body that falls to one foot
 * carries its hands along without their having started.
 */
const swingSpeed = perMotion((m) => {
  const [t, u] = carried(m);
  return planeSpeed(less(m.handsT, t), less(m.handsU, u), m.dt);
});

/**
 * Hand start: mid-hands faster than 15 cm/s against the shoulders for 100 ms, interpolated to the
 * crossing: the last time before the top that they get so fast from standing, so that a waggle
 * before it is none.
 *
 * @param limit cm/s
 */
export function handStart(m: Motion, from: number, top: number, limit = 15): number {
  const speed = swingSpeed(m);
  const need = Math.max(2, Math.round(0.1 / m.dt));
  const rest = Math.round(REST_S / m.dt);
  let start = NaN;
  for (let at = from; at <= top;) {
    const i = firstRun((k) => speed[k]! > limit, need, at, top);
    if (Number.isNaN(i)) break;
    start = i;
    // What comes to rest again was no start.
    const stops = firstRun((k) => speed[k]! < limit, rest, i, top);
    if (Number.isNaN(stops) || stops + rest >= top) break;
    at = stops + rest;
  }
  if (Number.isNaN(start)) return NaN;
  const crossing = risesThrough(speed, limit, Math.max(from, start - 2), start + 1);
  return toMs(m, Number.isNaN(crossing) ? start : crossing);
}

/** Hands that rest this long in between had not started, s: half the still spell of an address. */
const REST_S = 0.15;

/**
 * Swing angle of mid-hands about mid-shoulder in the picture plane, degrees, + away from the
 * target.
 */
export function armAngle(
  handsT: Float64Array,
  handsU: Float64Array,
  shoulderT: Float64Array,
  shoulderU: Float64Array,
): Float64Array {
  const out = new Float64Array(handsT.length);
  for (let i = 0; i < out.length; i++)
    out[i] = (Math.atan2(shoulderT[i]! - handsT[i]!, shoulderU[i]! - handsU[i]!) * 180) / Math.PI;
  return out;
}

/**
 * Top: where the arm angle reverses, from the hands as followed in the picture, by the vertex of a
 * parabola over ±4 samples (at 60 a second); from the network's hands where they were not followed.
 * The picture plane sees the reversal a little early (the hands still go up in depth): a fitted
 * delay makes up for it.
 *
 * @param rough sample near the top
 */
export function top(m: Motion, rough: number): number {
  if (m.view === "down-the-line") return highest(m, rough);
  const reach = Math.round(0.3 / m.dt);
  const span = Math.max(2, Math.round(0.067 / m.dt));
  const find = (t: Float64Array, u: Float64Array) => {
    const angle = armAngle(t, u, ...carried(m));
    let best = -1;
    // At the end of what was followed the largest angle is only the last one.
    for (let i = Math.max(span, rough - reach); i <= Math.min(m.n - 1 - span, rough + reach); i++)
      if (
        !Number.isNaN(angle[i - span]! + angle[i]! + angle[i + span]!) &&
        (best < 0 || angle[i]! > angle[best]!)
      )
        best = i;
    return best < 0 ? NaN : vertex(angle, best, span);
  };
  const close = find(m.closeHandsT, m.closeHandsU);
  const network = find(m.handsT, m.handsU);
  // The followed hands are by far the best witness, unless what was followed was not the hands: the
  // two others tell that.
  const middle = Number.isNaN(close + network)
    ? network
    : median([close, network, slowest(m, rough, reach)]);
  return (
    toMs(m, Math.abs(close - middle) * m.dt <= TRUSTED_S ? close : middle) + EVENT_FIT.topLateMs
  );
}

/** A top that differs by more than this from the middle one of three witnesses is none, s. */
const TRUSTED_S = 0.08;

/** Sample near a rough top at which the hands are slowest against the shoulders. */
function slowest(m: Motion, rough: number, reach: number): number {
  const speed = swingSpeed(m);
  let best = Math.max(0, rough - reach);
  for (let i = best; i <= Math.min(m.n - 1, rough + reach); i++)
    if (speed[i]! < speed[best]!) best = i;
  return best;
}

/**
 * Seen down the line the arms swing toward and away from the lens: the hands' highest place stands
 * for their turning back.
 */
function highest(m: Motion, rough: number): number {
  const reach = Math.round(0.3 / m.dt);
  const span = Math.max(2, Math.round(0.067 / m.dt));
  let best = Math.max(span, rough - reach);
  for (let i = best; i <= Math.min(m.n - 1 - span, rough + reach); i++)
    if (m.handsU[i]! > m.handsU[best]!) best = i;
  return toMs(m, vertex(m.handsU, best, span));
}

/**
 * Gestures turn around slowly: the arm angle after a 2 Hz low-pass (docs/movement.md, rep kinds),
 * near a rough top.
 */
export function topOfGesture(m: Motion, rough: number): number {
  const angle = filtfilt(lowPass(2, m.dt), armAngle(m.handsT, m.handsU, m.shoulderT, m.shoulderU));
  const reach = Math.round(0.4 / m.dt);
  let best = Math.max(0, rough - reach);
  for (let i = best; i <= Math.min(m.n - 1, rough + reach); i++)
    if (angle[i]! > angle[best]!) best = i;
  return toMs(m, vertex(angle, best, Math.max(2, Math.round(0.067 / m.dt))));
}

/** Hips only: where the hips look narrowest, turned farthest from square, before they open. */
export function topOfHips(m: Motion): number {
  const width = filtfilt(
    lowPass(2, m.dt),
    m.joints.lead.hip.t.map((v, i) => v - m.joints.trail.hip.t[i]!),
  );
  const moved = derivative(filtfilt(lowPass(2, m.dt), m.hipT), m.dt);
  let fastest = 0;
  for (let i = 1; i < m.n; i++) if (moved[i]! > moved[fastest]!) fastest = i;
  const from = Math.max(0, fastest - Math.round(1 / m.dt));
  let best = fastest;
  for (let i = from; i <= fastest; i++) if (width[i]! < width[best]!) best = i;
  return best === from ? NaN : toMs(m, vertex(width, best, Math.max(2, Math.round(0.067 / m.dt))));
}

/** Release: the hands' fastest instant after the top. */
export function release(m: Motion, topSample: number): number {
  const speed = handSpeed(m);
  const last = Math.min(m.n - 2, Math.round(topSample + 0.9 / m.dt));
  let best = Math.ceil(topSample);
  for (let i = best; i <= last; i++) if (speed[i]! > speed[best]!) best = i;
  return toMs(m, vertex(speed, best, Math.max(1, Math.round(0.034 / m.dt))));
}

/**
 * A strike heard farther than this from the impact seen is another sound, ms (docs/movement.md,
 * events).
 */
const STRIKE_WITHIN = 50;

/**
 * Impact as seen, drawn toward a strike that was heard near it, by the squares of their
 * uncertainties; and that strike.
 */
export function withStrike(
  foundMs: number,
  lowest: boolean,
  strikes: { ms: readonly number[]; u: number },
): [ms: number, struckMs: number | undefined] {
  const seenMs = foundMs + (lowest ? EVENT_FIT.lowestLateMs : EVENT_FIT.passesLateMs);
  const near = strikes.ms
    .filter((t) => Math.abs(t - seenMs) <= STRIKE_WITHIN)
    .sort((a, b) => Math.abs(a - seenMs) - Math.abs(b - seenMs))[0];
  if (near === undefined) return [seenMs, undefined];
  const w = strikeWeight(lowest, strikes.u);
  return [seenMs + w * (near - seenMs), near];
}

/** Weight of the sound against the picture. */
export function strikeWeight(lowest: boolean, soundU: number): number {
  const seen = lowest ? EVENT_FIT.lowestSd : EVENT_FIT.passesSd;
  return seen ** 2 / (seen ** 2 + soundU ** 2);
}

/**
 * The lead arm level with the ground: mid-hands rise through (going back) or fall through (coming
 * down) the lead shoulder's height; after the strike the trail arm level, likewise. The network
 * hardly sees the shoulders tilt, so that height is the middle's less a fitted share of stature.
 */
export function armLevel(
  m: Motion,
  way: "back" | "down" | "through",
  from: number,
  to: number,
): number {
  const below = LEVEL_FIT[way] * m.statureCm;
  const above = m.handsU.map((u, i) => (way === "down" ? -1 : 1) * (u - m.shoulderU[i]! + below));
  return toMs(m, risesThrough(above, 0, from, to));
}

/** The strike comes within this of the top, s. */
const DOWN_S = 0.7;
/**
 * And, of arms that came up above level, within this of their being level again; later on hands
 * that the body hides seem to hang.
 */
const AFTER_HALFWAY_S = 0.25;

/**
 * Impact: mid-hands pass their address T on the way down; in stages with the club held ahead, or
 * with a moving start, that place says nothing and the hands' lowest instant stands for it.
 */
export function impact(
  m: Motion,
  rule: "passes address" | "lowest",
  topSample: number,
  addressHandsT: number,
  halfwayMs: number,
): number {
  const end = Math.min(m.n - 1, Math.round(topSample + DOWN_S / m.dt));
  // Arms that hardly come up are level again right after the top: that says nothing of when hands
  // that are seen pass by.
  if (rule === "passes address")
    return toMs(m, risesThrough(m.handsT, addressHandsT, topSample, end));
  const half = Number.isNaN(halfwayMs) ? Infinity : toSample(m, halfwayMs);
  const last = Math.min(end, Math.round(half + AFTER_HALFWAY_S / m.dt));
  let low = Math.ceil(topSample);
  for (let i = low; i <= last; i++) if (m.handsU[i]! < m.handsU[low]!) low = i;
  return toMs(m, vertex(m.handsU, low, Math.max(1, Math.round(0.034 / m.dt))));
}

/**
 * Finish: mid-hands slower than 25 cm/s and mid-hip slower than 12 cm/s for 200 ms. The hands end
 * by moving in depth, which the picture does not show, so it sees them slow down a little early: a
 * fitted delay makes up for it.
 */
export const finish = (m: Motion, from: number): number =>
  heldFrom(m, from) + EVENT_FIT.finishLateMs;
