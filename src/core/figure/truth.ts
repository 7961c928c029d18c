import { sub, type Vec3 } from "../maths/vec3";
import { GRAVITY } from "./balance";
import type { Side } from "./pose";
import { TRUTH_HZ, type Simulation } from "./simulate";

/** Exact events (ms from the start), foot events and measures of one simulated rep, by MOVEMENT's definitions. */
export interface Truth {
  events: Partial<Record<TruthEvent, number>>;
  footEvents: { foot: "lead" | "trail"; event: "heelUp" | "heelDown" | "liftOff" | "landing"; t: number }[];
  measures: Record<string, number>;
  /** Lead share, %, per 240 Hz sample. */
  leadShare: Float64Array;
}

export type TruthEvent =
  | "address" | "groundStart" | "handStart" | "midBack" | "top" | "recentre" | "halfwayDown" | "impact" | "finish";

const MS = 1000 / TRUTH_HZ;
const samples = (ms: number) => Math.round(ms / MS);

/**
 * The truth of a simulation. Heights of feet count from address; a foot is in the air while heel and toe are both
 * more than 1.5 cm up. Shares come from the plain pendulum on the exact centre of mass.
 */
export function truth(sim: Simulation): Truth {
  const n = sim.times.length;
  const handSpeed = speed(sim, (p) => p.midHands);
  // Against the shoulders: a body that falls to one foot carries its hands along without their having started.
  const swingSpeed = speed(sim, (p) => sub(p.midHands, p.midShoulder));
  const still = Array.from({ length: n }, () => true);
  const parts: ((p: Simulation["poses"][number]) => Vec3)[] = [
    (p) => p.midHands, (p) => p.midHip, (p) => p.head, (p) => p.lead.ankle, (p) => p.trail.ankle,
  ];
  for (const part of parts) speed(sim, part).forEach((v, i) => { if (v >= 3) still[i] = false; });

  const events: Truth["events"] = {};
  const handStart = firstRun(swingSpeed, (v) => v > 15, samples(100), 0);
  if (handStart === null) throw new Error("the scripted hands never start");
  const address = lastRunEnd(still, samples(300), handStart);
  if (address === null) throw new Error("the script has no still spell of 300 ms before the hands start");

  const foot = { lead: footHeights(sim, "lead", address), trail: footHeights(sim, "trail", address) };
  const footEvents = [...footEventsOf("lead", foot.lead), ...footEventsOf("trail", foot.trail)].sort((a, b) => a.t - b.t);
  const leadShare = shareOf(sim, foot);

  const armAngle = Float64Array.from(sim.poses, (p) => {
    const dt = p.midHands[0] - p.midShoulder[0];
    return (Math.atan2(-dt, -(p.midHands[1] - p.midShoulder[1])) * 180) / Math.PI;
  });
  const top = indexOfMax(armAngle, handStart, Math.min(n - 1, handStart + samples(2500)));
  const level = (side: "lead" | "trail") => (p: Simulation["poses"][number]) => p.midHands[1] - p[side].shoulder[1];
  const leadLevel = sim.poses.map(level("lead"));
  const midBack = firstAbove(leadLevel, 0, handStart, top);
  const halfwayDown = firstBelow(leadLevel, 0, top, n - 1);
  const hands = sim.poses.map((p) => p.midHands[0] - sim.poses[address]!.midHands[0]);
  const crossing = sim.script.clubAhead > 0
    ? indexOfMin(sim.poses.map((p) => p.midHands[1]), top, Math.min(n - 1, top + samples(600)))
    : firstAbove(hands, 0, top, n - 1);
  const impact = crossing === null ? null : Math.round(crossing);
  const hipSpeed = speed(sim, (p) => p.midHip);
  const quiet = Float64Array.from(handSpeed, (v, i) => (v < 25 && hipSpeed[i]! < 12 ? 1 : 0));
  const finish = impact === null ? null : firstRun(quiet, (v) => v === 1, samples(200), impact);

  const stillFrom = Math.max(0, address - samples(300));
  const shareStill = mean(leadShare, stillFrom, address);
  const groundShare = firstRun(Float64Array.from(leadShare, (s) => Math.abs(s - shareStill)), (v) => v >= 5, samples(100), address);
  const firstFoot = footEvents.find((e) => e.t > address * MS);
  const groundStart = Math.min(groundShare ?? Infinity, firstFoot ? firstFoot.t / MS : Infinity);

  const low = indexOfMin(leadShare, address, top);
  const recentre = leadShare[low]! < 50 ? firstAbove(leadShare, 50, low, n - 1) : null;

  const named: [TruthEvent, number | null][] = [
    ["address", address], ["groundStart", Number.isFinite(groundStart) ? groundStart : null], ["handStart", handStart],
    ["midBack", midBack], ["top", top], ["recentre", recentre], ["halfwayDown", halfwayDown], ["impact", crossing],
    ["finish", finish],
  ];
  for (const [name, i] of named) if (i !== null) events[name] = i * MS;

  const measures: Record<string, number> = {};
  const hip = sim.poses.map((p) => p.midHip[0]);
  const find = (side: "lead" | "trail", event: "liftOff" | "landing") =>
    footEvents.find((e) => e.foot === side && e.event === event && e.t > address * MS && e.t < (impact ?? n) * MS);
  const trailOff = find("trail", "liftOff");
  const trailOn = find("trail", "landing");
  const leadOff = find("lead", "liftOff");
  const leadOn = find("lead", "landing");
  const ankle = (side: "lead" | "trail", i: number) => sim.poses[i]![side].ankle[0];
  const settled = (side: "lead" | "trail", ms: number) => ankle(side, Math.min(n - 1, Math.round(ms / MS) + samples(60)));

  if (trailOn && trailOn.t < top * MS) {
    // Against the middle of the feet as planted by the trail step: the lead foot counts at its address place.
    const planted = (settled("trail", trailOn.t) + ankle("lead", address)) / 2;
    const before = (ankle("trail", address) + ankle("lead", address)) / 2;
    const from = Math.round(trailOn.t / MS);
    measures.pelvisSway = Math.max(...hip.slice(from, top + 1).map((x) => -(x - planted) + (hip[address]! - before)));
  } else measures.pelvisSway = Math.max(...hip.slice(address, top + 1).map((x) => hip[address]! - x));
  if (impact !== null) {
    measures.pelvisSlide = Math.max(...hip.slice(top, impact + 1)) - hip[top]!;
    const head = sim.poses.slice(address, impact + 1).map((p) => p.head[0]);
    measures.headDrift = Math.max(...head) - Math.min(...head);
    measures.leadShareImpact = leadShare[impact]!;
    measures.backTime = (top - handStart) * MS;
    measures.downTime = (impact - top) * MS;
    measures.tempoRatio = measures.backTime / measures.downTime;
  }
  measures.leadShareAddress = shareStill;
  measures.leadShareTop = leadShare[top]!;
  if (finish !== null) measures.leadShareFinish = leadShare[finish]!;
  const down = (i: number) => !foot.lead.air[i] && !foot.trail.air[i];
  let peak = 0;
  for (let i = handStart; i <= top; i++) if (down(i)) peak = Math.max(peak, 100 - leadShare[i]!);
  measures.trailSharePeak = peak;
  if (recentre !== null) measures.recentreBeforeTop = (top - recentre) * MS;
  if (trailOff) measures.trailStepBeforeHands = handStart * MS - trailOff.t;
  if (trailOn) measures.trailStepLength = settled("trail", trailOn.t) - ankle("trail", address);
  if (leadOn) {
    measures.leadStepLength = settled("lead", leadOn.t) - ankle("lead", address);
    measures.leadLandBeforeTop = top * MS - leadOn.t;
  }
  if (leadOff && midBack !== null) measures.leadLiftFromMidBack = leadOff.t - midBack * MS;
  measures.footGapAddress = ankle("lead", address) - ankle("trail", address);
  return { events, footEvents, measures, leadShare };
}

interface Heights { heel: number[]; toe: number[]; air: boolean[]; centre: number[] }

function footHeights(sim: Simulation, side: "lead" | "trail", address: number): Heights {
  const of = (get: (s: Side) => Vec3) => sim.poses.map((p) => get(p[side])[1] - get(sim.poses[address]![side])[1]);
  const heel = of((s) => s.heel);
  const toe = of((s) => s.toe);
  return {
    heel,
    toe,
    air: heel.map((h, i) => h > 1.5 && toe[i]! > 1.5),
    centre: sim.poses.map((p) => (p[side].heel[0] + p[side].toe[0]) / 2),
  };
}

function footEventsOf(foot: "lead" | "trail", h: Heights): Truth["footEvents"] {
  const out: Truth["footEvents"] = [];
  for (let i = 1; i < h.heel.length; i++) {
    if (h.air[i] !== h.air[i - 1]) out.push({ foot, event: h.air[i] ? "liftOff" : "landing", t: i * MS });
    if (h.heel[i - 1]! <= 1.5 && h.heel[i]! > 1.5) {
      let j = i;
      let high = 0;
      while (j < h.heel.length && h.heel[j]! > 1.5) high = Math.max(high, h.heel[j++]!);
      if (high >= 3) {
        out.push({ foot, event: "heelUp", t: i * MS });
        if (j < h.heel.length) out.push({ foot, event: "heelDown", t: j * MS });
      }
    }
  }
  return out;
}

function shareOf(sim: Simulation, foot: { lead: Heights; trail: Heights }): Float64Array {
  const n = sim.times.length;
  const dt = 1 / TRUTH_HZ;
  return Float64Array.from({ length: n }, (_, i) => {
    if (foot.lead.air[i]) return 0;
    if (foot.trail.air[i]) return 100;
    const k = Math.min(Math.max(i, 1), n - 2);
    const acceleration = (sim.com[k + 1]![0] - 2 * sim.com[k]![0] + sim.com[k - 1]![0]) / (dt * dt);
    const cop = sim.com[k]![0] - (sim.com[k]![1] / GRAVITY) * acceleration;
    const part = (cop - foot.trail.centre[i]!) / (foot.lead.centre[i]! - foot.trail.centre[i]!);
    return 100 * Math.min(Math.max(part, 0), 1);
  });
}

function speed(sim: Simulation, part: (p: Simulation["poses"][number]) => Vec3): Float64Array {
  const n = sim.poses.length;
  return Float64Array.from({ length: n }, (_, i) => {
    const a = part(sim.poses[Math.max(i - 1, 0)]!);
    const b = part(sim.poses[Math.min(i + 1, n - 1)]!);
    const steps = Math.min(i + 1, n - 1) - Math.max(i - 1, 0);
    return (Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) * TRUTH_HZ) / steps;
  });
}

function firstRun(x: Float64Array, holds: (v: number) => boolean, length: number, from: number): number | null {
  let run = 0;
  for (let i = Math.ceil(from); i < x.length; i++) {
    run = holds(x[i]!) ? run + 1 : 0;
    if (run >= length) return i - length + 1;
  }
  return null;
}

function lastRunEnd(x: boolean[], length: number, before: number): number | null {
  for (let end = before; end >= length; end--) {
    if (!x[end]) continue;
    let start = end;
    while (start > 0 && x[start - 1]) start--;
    if (end - start + 1 >= length) return end;
    end = start;
  }
  return null;
}

const mean = (x: ArrayLike<number>, from: number, to: number) => {
  let sum = 0;
  for (let i = from; i <= to; i++) sum += x[i]!;
  return sum / (to - from + 1);
};

function indexOfMax(x: ArrayLike<number>, from: number, to: number): number {
  let best = from;
  for (let i = from; i <= to; i++) if (x[i]! > x[best]!) best = i;
  return best;
}

const indexOfMin = (x: ArrayLike<number>, from: number, to: number) =>
  indexOfMax(Float64Array.from(x, (v) => -v), from, to);

function firstAbove(x: ArrayLike<number>, limit: number, from: number, to: number): number | null {
  for (let i = from + 1; i <= to; i++)
    if (x[i - 1]! <= limit && x[i]! > limit) return i - 1 + (limit - x[i - 1]!) / (x[i]! - x[i - 1]!);
  return null;
}

const firstBelow = (x: ArrayLike<number>, limit: number, from: number, to: number) =>
  firstAbove(Float64Array.from(x, (v) => -v), -limit, from, to);
