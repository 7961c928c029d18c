import { footRound, type Motion } from "../motion";
import { roughReps, type Track } from "../track";
import { nearest } from "./clock";
import { foundByArms, type RepRules } from "./rep";
import { cyclesIn } from "./kinds/cycle";
import { pivotsIn } from "./kinds/pivot";
import type { RepWindow } from "./window";

/** A rep's own motion reaches at most this far before its top and after its lowest hands, s. */
const BEFORE_TOP = 6;
const AFTER_LOW = 4.5;
/**
 * Between two swings, the share of the way from the first one's strike to the next one's top that
 * belongs to the first.
 */
const FIRST_SHARE = 0.45;

/**
 * Splits a motion into reps: swings by the arms, cycles by the turns of the hands, pivots by the
 * turns of the foot; a hold, or a gesture of the hips alone, has the clip to itself.
 */
export function split(track: Track, m: Motion, rules: RepRules): RepWindow[] {
  if (rules.kind === "cycle") return cyclesIn(m);
  if (rules.kind === "pivot") return pivotsIn(m, rules.foot ?? "trail");
  if (!foundByArms(rules)) return [{ from: 0, to: m.n - 1, about: m.n >> 1 }];
  const rough = roughReps(track).map((r) => ({
    top: nearest(m, track.times[r.top]!),
    low: nearest(m, track.times[r.low]!),
  }));
  const between = rough
    .slice(1)
    .map((next, k) => Math.round(rough[k]!.low + FIRST_SHARE * (next.top - rough[k]!.low)));
  return rough.map((r, k) => ({
    from: Math.max(k === 0 ? 0 : between[k - 1]!, Math.round(r.top - BEFORE_TOP / m.dt)),
    to: Math.min(
      k === rough.length - 1 ? m.n - 1 : between[k]!,
      Math.round(r.low + AFTER_LOW / m.dt),
    ),
    about: r.top,
    low: r.low,
  }));
}

/**
 * The part of a motion that a window holds, on its own clock; feet with what comes just before and
 * after.
 */
export function slice(m: Motion, { from, to }: Pick<RepWindow, "from" | "to">): Motion {
  if (from === 0 && to === m.n - 1) return m;
  const cut = (x: Float64Array) => (x.length ? x.subarray(from, to + 1) : x);
  const path = (p: Motion["joints"]["lead"]["hip"]) => ({ t: cut(p.t), u: cut(p.u) });
  const joints = (side: Motion["joints"]["lead"]) =>
    Object.fromEntries(
      Object.entries(side).map(([name, p]) => [name, path(p)]),
    ) as Motion["joints"]["lead"];
  const startMs = m.startMs + from * m.dt * 1000;
  const endMs = m.startMs + to * m.dt * 1000;
  const feet = {
    lead: footRound(m.feet.lead, startMs, endMs),
    trail: footRound(m.feet.trail, startMs, endMs),
  };
  return {
    ...m,
    startMs,
    n: to - from + 1,
    feet,
    hipT: cut(m.hipT),
    hipU: cut(m.hipU),
    headT: cut(m.headT),
    headU: cut(m.headU),
    headHidden: cut(m.headHidden),
    shoulderT: cut(m.shoulderT),
    shoulderU: cut(m.shoulderU),
    handsT: cut(m.handsT),
    handsU: cut(m.handsU),
    closeHandsT: cut(m.closeHandsT),
    closeHandsU: cut(m.closeHandsU),
    comT: cut(m.comT),
    comU: cut(m.comU),
    rear: cut(m.rear),
    bend: cut(m.bend),
    direction: { lead: cut(m.direction.lead), trail: cut(m.direction.trail) },
    joints: { lead: joints(m.joints.lead), trail: joints(m.joints.trail) },
  };
}
