import type { ScriptedRep } from "../script";
import type { Exact } from "./exact";
import type { FeetTruth, FootEventTruth } from "./feet";
import {
  firstAbove,
  firstBelow,
  firstRunIn,
  indexOfMax,
  indexOfMin,
  lastRunEnd,
  lastZero,
  meanOver,
  MS,
  rate,
  sampleCount,
} from "./search";
import { smoothed } from "./turns";

export type TruthEvent =
  | "address"
  | "groundStart"
  | "handStart"
  | "midBack"
  | "top"
  | "recentre"
  | "transition"
  | "slideStart"
  | "halfwayDown"
  | "impact"
  | "release"
  | "midThrough"
  | "finish";

/** Events as samples; absent when they do not happen. */
export type EventSamples = Partial<Record<TruthEvent, number>>;

/** Address and hand start, which the rest stands on. */
export function startOf(
  x: Exact,
  rep: ScriptedRep,
  from: number,
  to: number,
): { address: number; handStart: number | null } {
  const limit = rep.slow ? 5 : 15;
  const handStart = rep.hipsOnly
    ? null
    : firstRunIn((i) => x.speed.swing[i]! > limit, sampleCount(100), from, to);
  const begins = handStart ?? firstRunIn((i) => x.speed.hip[i]! > 3, sampleCount(100), from, to);
  if (begins === null) throw new Error("the scripted rep never starts");
  const { hands, hip, head, leadAnkle, trailAnkle } = x.speed;
  const still = (i: number) =>
    hands[i]! < 3 && hip[i]! < 3 && head[i]! < 3 && leadAnkle[i]! < 3 && trailAnkle[i]! < 3;
  const address = lastRunEnd(
    still,
    sampleCount(300),
    begins,
    Math.max(from, begins - sampleCount(3000)),
  );
  if (address !== null) return { address, handStart };
  let [best, quietest] = [from + sampleCount(100), Infinity];
  for (let i = Math.max(from, begins - sampleCount(3000)); i + sampleCount(100) <= begins; i++) {
    const moved =
      meanOver(hands, i, i + sampleCount(100)) +
      meanOver(hip, i, i + sampleCount(100)) +
      meanOver(head, i, i + sampleCount(100));
    if (moved < quietest) [best, quietest] = [i + sampleCount(100), moved];
  }
  return { address: best, handStart };
}

/** All events of a swing, step-swing or gesture between two samples. */
// eslint-disable-next-line max-lines-per-function -- a rep's events, each found from those before it
export function swingEvents(
  x: Exact,
  rep: ScriptedRep,
  view: "face-on" | "down-the-line",
  start: { address: number; handStart: number | null },
  feet: FeetTruth,
  footEvents: FootEventTruth[],
  leadShare: Float64Array,
  to: number,
): EventSamples {
  const { address, handStart } = start;
  const e: EventSamples = { address };
  if (handStart !== null) e.handStart = handStart;
  const shareStill = stillShare(leadShare, address, rep.movingStart ?? false);
  const groundShare = firstRunIn(
    (i) => Math.abs(leadShare[i]! - shareStill) >= 5,
    sampleCount(100),
    address,
    to,
  );
  const firstFoot = footEvents.find((f) => f.t > address * MS);
  const ground = Math.min(groundShare ?? Infinity, firstFoot ? firstFoot.t / MS : Infinity);
  if (Number.isFinite(ground)) e.groundStart = ground;
  const begins = handStart ?? ground;
  const last = Math.min(to, begins + sampleCount(rep.slow ? 6000 : 2600));

  if (rep.hipsOnly) {
    const turning = smoothed(x.pelvisTurn, 2);
    e.top = indexOfMin(turning, begins, last);
    const depth = turning[e.top]! - turning[address]!;
    const half = firstAbove(turning, turning[e.top]! - depth / 2, e.top, to);
    if (half !== null) e.halfwayDown = half;
  } else {
    const angle = rep.kind === "gesture" ? smoothed(x.armAngle, 2) : x.armAngle;
    e.top = indexOfMax(angle, begins, last);
    const { poses } = x.sim;
    const level = (side: "lead" | "trail") => poses.map((p) => p.midHands[1] - p[side].shoulder[1]);
    const leadLevel = level("lead");
    const midBack = firstAbove(leadLevel, 0, begins, e.top);
    if (midBack !== null) e.midBack = midBack;
    const half =
      midBack === null
        ? firstBelow(angle, angle[e.top]! / 2, e.top, to)
        : firstBelow(leadLevel, 0, e.top, to);
    if (half !== null) e.halfwayDown = half;
    const through = Math.min(to, e.top + sampleCount(rep.slow ? 3000 : 900));
    if (rep.kind === "gesture") e.release = indexOfMax(x.speed.hands, e.top, through);
    else if (rep.clubAhead || rep.movingStart || view === "down-the-line")
      e.impact = indexOfMin(x.hands.u, e.top, through);
    else {
      const crossing = firstAbove(x.hands.t, x.hands.t[address]!, e.top, to);
      if (crossing !== null) e.impact = crossing;
    }
    const struck = e.impact ?? e.release;
    if (struck !== undefined) {
      const trailLevel = level("trail");
      const midThrough = firstAbove(trailLevel, 0, struck, to);
      if (midThrough !== null) e.midThrough = midThrough;
    }
  }
  const after = e.impact ?? e.release ?? e.halfwayDown;
  if (after !== undefined) {
    const finish = firstRunIn(
      (i) => x.speed.hands[i]! < 25 && x.speed.hip[i]! < 12,
      sampleCount(200),
      after,
      to,
    );
    if (finish !== null) e.finish = finish;
  }
  const low = indexOfMin(leadShare, Math.max(address, Math.ceil(handStart ?? address)), e.top);
  if (leadShare[low]! < 50) {
    const recentre = firstAbove(leadShare, 50, low, to);
    if (recentre !== null) e.recentre = recentre;
  }
  if (e.halfwayDown !== undefined) {
    const transition = lastZero(rate(x.pelvisTurn), address, e.halfwayDown);
    if (transition !== null) e.transition = transition;
    const slide = lastZero(rate(x.hip.t), address, e.halfwayDown, true);
    if (slide !== null) e.slideStart = slide;
  }
  return e;
}

/**
 * The still mean of the share that changes are counted from: 300 ms before address, or at it after
 * a moving start.
 */
export const stillShare = (leadShare: Float64Array, address: number, moving: boolean): number =>
  moving
    ? leadShare[address]!
    : meanOver(leadShare, Math.max(0, address - sampleCount(300)), address);
