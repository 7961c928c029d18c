import type { Vec3 } from "../../maths";
import { FEET, of, ofSide, type Exact, type Foot } from "./exact";
import type { FootEventTruth } from "./feet";
import { interpolated, indexOfMax, indexOfMin, MS, rangeOver, rate, sampleCount } from "./search";
import { near, type Put, type RepCase } from "./repCase";

import { capital } from "./capital";
import { AT_EVENTS, DEG } from "./atEvents";

/** Hips, head, chest and knees as they are seen from in front. */
export function faceOnPosture({ x, e, footEvents }: RepCase, put: Put): void {
  const { sim, hip, head, shoulder } = x;
  const a = e.address!;
  const top = e.top;
  const hit = e.impact ?? e.release;
  const hipAt = (i: number) => interpolated(hip.t, i) - hip.t[a]!;
  const headAt = (i: number) => interpolated(head.t, i) - head.t[a]!;
  const tilt = (i: number) =>
    Math.atan2(
      -(interpolated(shoulder.t, i) - interpolated(hip.t, i)),
      interpolated(shoulder.u, i) - interpolated(hip.u, i),
    ) * DEG;
  for (const name of AT_EVENTS) {
    const i = e[name];
    if (i === undefined || name === "address") continue;
    put(`pelvisT${capital(name)}`, hipAt(i));
    put(`headT${capital(name)}`, headAt(i));
    put(
      `leadLegStack${capital(name)}`,
      sim.poses[near(i)]!.lead.hip[0] - sim.poses[near(i)]!.lead.ankle[0],
    );
    put(`pelvisTurn${capital(name)}`, interpolated(x.pelvisTurn, i) - x.pelvisTurn[a]!);
  }
  put("sideTiltAddress", tilt(a));
  if (top === undefined) return;
  put("pelvisSway", sway(x, a, top, footEvents));
  put("sideTiltTop", tilt(top));
  put("sideTiltChange", tilt(top) - tilt(a));
  put("pelvisTurnBack", x.pelvisTurn[a]! - interpolated(x.pelvisTurn, top));
  put("thoraxTurnBack", x.thoraxTurn[a]! - interpolated(x.thoraxTurn, top));
  put("thoraxRange", rangeOver(x.thoraxTurn, a, hit ?? top));
  put("pelvisRange", rangeOver(x.pelvisTurn, a, hit ?? top));
  const trailKnee = ofSide(sim, "trail", (s) => s.knee[0] - s.ankle[0]);
  put("trailKneeOut", -Math.min(...trailKnee.subarray(a, near(top) + 1)));
  put("trailKneeIn", Math.max(...trailKnee.subarray(a, near(top) + 1)));
  put("handHeightTop", interpolated(x.hands.u, top) - interpolated(shoulder.u, top));
  for (const foot of FEET)
    for (const name of ["address", "top", "impact"] as const) {
      const i = e[name];
      if (i !== undefined) put(`${foot}ShinLean${capital(name)}`, shin(sim.poses[near(i)]![foot]));
    }
  if (e.halfwayDown !== undefined) put("headDriftBack", rangeOver(head.t, a, near(e.halfwayDown)));
  if (hit === undefined) return;
  const slideTo = Math.ceil(hit);
  put(
    "pelvisSlide",
    Math.max(...hip.t.subarray(near(top), slideTo + 1)) - interpolated(hip.t, top),
  );
  put("headDrift", rangeOver(head.t, a, slideTo));
  let counter = 0;
  for (let i = a; i <= slideTo; i++)
    if (hipAt(i) * headAt(i) < 0)
      counter = Math.max(counter, Math.min(Math.abs(hipAt(i)), Math.abs(headAt(i))));
  put("counterMove", counter);
  if (e.halfwayDown !== undefined) {
    const low = indexOfMin(hip.u, near(top), near(e.halfwayDown));
    put("pelvisDropTransition", hip.u[low]! - interpolated(hip.u, top));
    put("pelvisRiseToImpact", interpolated(hip.u, hit) - hip.u[low]!);
  }
  put("headRise", Math.max(...head.u.subarray(a, slideTo + 1)) - head.u[a]!);
  put(
    "pelvisDriftAtImpact",
    rangeOver(hip.t, near(hit) - sampleCount(75), Math.min(near(hit) + sampleCount(75), x.n - 1)),
  );
  kneeGaps(sim, a, near(top), slideTo, put);
  turnRates(x, top, hit, put);
  if (e.halfwayDown !== undefined) footRoll(sim, near(e.halfwayDown), hit, put);
}

/** Knees against ankles. */
function kneeGaps(sim: Exact["sim"], a: number, top: number, slideTo: number, put: Put): void {
  const kneeGap = of(sim, (p) => p.lead.knee[0] - p.trail.knee[0]);
  const ankleGap = of(sim, (p) => p.lead.ankle[0] - p.trail.ankle[0]);
  const ratio = kneeGap.map((g, i) => g / ankleGap[i]!);
  put("kneeGapDown", Math.min(...ratio.subarray(top, slideTo + 1)));
  put("kneeGapAddressToImpact", Math.max(...ratio.subarray(a, slideTo + 1)));
  put("kneePart", Math.max(...kneeGap.subarray(a, slideTo + 1)) - kneeGap[a]!);
}

/** How quickly hips, chest and arms turn on the way down. */
function turnRates(x: Exact, top: number, hit: number, put: Put): void {
  const slideTo = Math.ceil(hit);
  const turnRate = rate(x.pelvisTurn);
  const peak = indexOfMax(turnRate, near(top), slideTo);
  put("pelvisPeakTurnRate", turnRate[peak]);
  put("pelvisRateAtImpact", (interpolated(turnRate, hit) / turnRate[peak]!) * 100);
  put("peakPelvisTurnAt", ((peak - top) / (hit - top)) * 100);
  const chestRate = rate(x.thoraxTurn);
  const chestPeak = indexOfMax(chestRate, near(top), slideTo);
  const armPeak = indexOfMin(rate(x.armAngle), near(top), slideTo);
  put("pelvisPeakBeforeThorax", (chestPeak - peak) * MS);
  put("thoraxPeakBeforeArms", (armPeak - chestPeak) * MS);
}

/** How far the trail knee has come over a trail toe that stayed. */
function footRoll(sim: Exact["sim"], from: number, hit: number, put: Put): void {
  const toe = sim.poses.map((p) => p.trail.toe[0]);
  if (rangeOver(toe, from, Math.ceil(hit)) > 2) return;
  put(
    "trailFootRoll",
    interpolated(
      ofSide(sim, "trail", (s) => s.knee[0] - s.toe[0]),
      hit,
    ) -
      sim.poses[from]!.trail.knee[0] +
      sim.poses[from]!.trail.toe[0],
  );
}

/**
 * Largest move of mid-hip away from the target, address → top; after a trail step against the feet
 * as that step planted them.
 */
function sway(x: Exact, a: number, top: number, footEvents: FootEventTruth[]): number {
  const landed = footEvents.find(
    (f) => f.foot === "trail" && f.event === "landing" && f.t > a * MS && f.t < top * MS,
  );
  const from = landed ? near(landed.t / MS) : a;
  const moved = landed ? (settled(x, "trail", landed.t) - x.sim.poses[a]!.trail.ankle[0]) / 2 : 0;
  let most = -Infinity;
  for (let i = from; i <= top; i++) most = Math.max(most, x.hip.t[a]! - x.hip.t[i]! + moved);
  return most;
}

/** T of an ankle once a landing has settled. */
export const settled = (x: Exact, foot: Foot, landedMs: number): number =>
  x.sim.poses[Math.min(x.n - 1, near(landedMs / MS) + sampleCount(60))]![foot].ankle[0];

const shin = (s: { knee: Vec3; ankle: Vec3 }) =>
  Math.atan2(s.knee[0] - s.ankle[0], s.knee[1] - s.ankle[1]) * DEG;
