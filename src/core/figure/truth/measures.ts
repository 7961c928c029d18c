import { dot, norm, sub, unit, type Vec3 } from "../../maths/vec3";
import { rearEdge } from "../surface";
import { TRUTH_HZ } from "../simulate";
import { FEET, of, ofSide, type Exact, type Foot } from "./exact";
import type { FootEventTruth } from "./feet";
import { interpolated, indexOfMax, indexOfMin, MS, rangeOver, rate, sampleCount } from "./search";
import { cycleMeasures } from "./cycle";
import { holding } from "./hold";
import { pivotMeasures } from "./pivot";
import { near, type Put, type RepCase } from "./repCase";
import { largest, travel } from "./travel";
import { stillShare, type TruthEvent } from "./swingEvents";

type Values = Record<string, number>;
const DEG = 180 / Math.PI;
const angleAt = (a: Vec3, b: Vec3, c: Vec3) =>
  Math.acos(Math.min(1, Math.max(-1, dot(unit(sub(a, b)), unit(sub(c, b)))))) * DEG;
const cap = (s: string) => s[0]!.toUpperCase() + s.slice(1);

/** Windows that measures are named after. */
const WINDOWS: [TruthEvent, TruthEvent][] = [
  ["address", "top"],
  ["address", "impact"],
  ["top", "impact"],
  ["impact", "finish"],
  ["halfwayDown", "impact"],
  ["address", "finish"],
  ["impact", "midThrough"],
];
const AT_EVENTS: TruthEvent[] = ["address", "top", "halfwayDown", "impact", "release", "finish"];

/** Every measure that this rep has, by id: from exact joints alone. */
export function measuresOf(c: RepCase): Values {
  const out: Values = {};
  const put = (id: string, value: number | null | undefined) => {
    if (value !== null && value !== undefined && Number.isFinite(value)) out[id] = value;
  };
  if (c.rep.kind === "cycle") cycleMeasures(c, put);
  else if (c.rep.kind === "pivot") pivotMeasures(c, put);
  else {
    if (c.rep.kind !== "hold") {
      if (c.view === "face-on") faceOnPosture(c, put);
      else downTheLine(c, put);
      knees(c, put);
      feetOverWindows(c, put);
      order(c, put);
      if (c.view === "face-on") weight(c, put);
      steps(c, put);
    }
    holding(c, put);
  }
  return out;
}

function faceOnPosture({ x, e, footEvents }: RepCase, put: Put): void {
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
    put(`pelvisT${cap(name)}`, hipAt(i));
    put(`headT${cap(name)}`, headAt(i));
    put(
      `leadLegStack${cap(name)}`,
      sim.poses[near(i)]!.lead.hip[0] - sim.poses[near(i)]!.lead.ankle[0],
    );
    put(`pelvisTurn${cap(name)}`, interpolated(x.pelvisTurn, i) - x.pelvisTurn[a]!);
  }
  put("sideTiltAddress", tilt(a));
  if (top === undefined) return;
  put("pelvisSway", sway(x, a, top, footEvents));
  put("sideTiltTop", tilt(top));
  put("sideTiltChange", tilt(top) - tilt(a));
  put("thoraxRange", rangeOver(x.thoraxTurn, a, hit ?? top));
  put("pelvisRange", rangeOver(x.pelvisTurn, a, hit ?? top));
  const trailKnee = ofSide(sim, "trail", (s) => s.knee[0] - s.ankle[0]);
  put("trailKneeOut", -Math.min(...trailKnee.subarray(a, near(top) + 1)));
  put("trailKneeIn", Math.max(...trailKnee.subarray(a, near(top) + 1)));
  put("handHeightTop", interpolated(x.hands.u, top) - interpolated(shoulder.u, top));
  for (const foot of FEET)
    for (const name of ["address", "top", "impact"] as const) {
      const i = e[name];
      if (i !== undefined) put(`${foot}ShinLean${cap(name)}`, shin(sim.poses[near(i)]![foot]));
    }
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
  const kneeGap = of(sim, (p) => p.lead.knee[0] - p.trail.knee[0]);
  const ankleGap = of(sim, (p) => p.lead.ankle[0] - p.trail.ankle[0]);
  const ratio = kneeGap.map((g, i) => g / ankleGap[i]!);
  put("kneeGapDown", Math.min(...ratio.subarray(near(top), slideTo + 1)));
  put("kneeGapAddressToImpact", Math.max(...ratio.subarray(a, slideTo + 1)));
  put("kneePart", Math.max(...kneeGap.subarray(a, slideTo + 1)) - kneeGap[a]!);
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
  if (e.halfwayDown !== undefined) {
    const toe = sim.poses.map((p) => p.trail.toe[0]);
    const from = near(e.halfwayDown);
    if (rangeOver(toe, from, slideTo) <= 2)
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
const settled = (x: Exact, foot: Foot, landedMs: number): number =>
  x.sim.poses[Math.min(x.n - 1, near(landedMs / MS) + sampleCount(60))]![foot].ankle[0];

const shin = (s: { knee: Vec3; ankle: Vec3 }) =>
  Math.atan2(s.knee[0] - s.ankle[0], s.knee[1] - s.ankle[1]) * DEG;

function downTheLine({ x, e, leadShare, feet }: RepCase, put: Put): void {
  const { sim } = x;
  const a = e.address!;
  const rear = of(sim, (p) => rearEdge(p, sim.body));
  const bend = of(
    sim,
    (p) => Math.atan2(p.midShoulder[2] - p.midHip[2], p.midShoulder[1] - p.midHip[1]) * DEG,
  );
  put("footStagger", sim.poses[a]!.lead.ankle[2] - sim.poses[a]!.trail.ankle[2]);
  if (e.top !== undefined) put("hipsToBallTop", interpolated(rear, e.top) - rear[a]!);
  const hit = e.impact ?? e.release;
  for (const name of AT_EVENTS) {
    const i = e[name];
    if (i === undefined) continue;
    const k = Math.min(Math.max(near(i), 1), x.n - 2);
    const dt = 1 / TRUTH_HZ;
    const acceleration = (sim.com[k + 1]![2] - 2 * sim.com[k]![2] + sim.com[k - 1]![2]) / (dt * dt);
    const cop = sim.com[k]![2] - (sim.com[k]![1] / 980.665) * acceleration;
    const part = feet.lead.air[k] ? 0 : feet.trail.air[k] ? 1 : leadShare[k]! / 100;
    const line = (get: (s: (typeof sim.poses)[number]["lead"]) => number) =>
      get(sim.poses[k]!.trail) * (1 - part) + get(sim.poses[k]!.lead) * part;
    const heel = line((s) => s.heel[2]);
    const toe = line((s) => s.toe[2]);
    put(`copDepth${cap(name)}`, ((cop - heel) / (toe - heel)) * 100);
  }
  if (e.top === undefined || hit === undefined) return;
  put("hipsToBall", interpolated(rear, hit) - rear[a]!);
  put("bendChange", interpolated(bend, hit) - bend[a]!);
  const knee = ofSide(sim, "trail", (s) => s.knee[2]);
  put(
    "trailKneeTowardBall",
    Math.max(...knee.subarray(near(e.top), Math.ceil(hit) + 1)) - interpolated(knee, e.top),
  );
}

function knees({ x, e, view }: RepCase, put: Put): void {
  const { sim } = x;
  for (const foot of FEET) {
    const angle = ofSide(sim, foot, (s) => angleAt(s.hip, s.knee, s.ankle));
    const t = ofSide(sim, foot, (s) => s.knee[0]);
    for (const [from, to] of WINDOWS) {
      const [i, j] = [e[from], e[to]];
      if (i === undefined || j === undefined) continue;
      put(
        `${foot}KneeAngleChange${cap(from)}To${cap(to)}`,
        interpolated(angle, j) - interpolated(angle, i),
      );
      if (view === "face-on")
        put(`${foot}KneeTravel${cap(from)}To${cap(to)}`, rangeOver(t, near(i), near(j)));
    }
  }
  const elbow = of(sim, (p) =>
    Math.min(...FEET.map((f) => angleAt(p[f].shoulder, p[f].elbow, p[f].wrist))),
  );
  if (view === "face-on" && e.top !== undefined)
    put("elbowAngleMinAddressToTop", Math.min(...elbow.subarray(e.address, near(e.top) + 1)));
}

function feetOverWindows({ x, e, feet, view, footEvents, rep }: RepCase, put: Put): void {
  const { sim } = x;
  for (const foot of FEET) {
    const f = feet[foot];
    const ground = sim.body.soleHeight;
    const rise = (i: number) =>
      near(i) === e.address
        ? sim.poses[e.address]![foot].heel[1] - ground
        : interpolated(f.heel, i);
    for (const name of ["address", "top", "impact", "midThrough", "finish"] as const)
      if (e[name] !== undefined) put(`${foot}HeelHeight${cap(name)}`, rise(e[name]));
    for (const [from, to] of WINDOWS) {
      const [i, j] = [e[from], e[to]];
      if (i === undefined || j === undefined) continue;
      const [p, q] = [near(i), near(j)];
      let flat = 0;
      for (let k = p; k <= q; k++) if (f.heel[k]! < 1.5 && f.toe[k]! < 1.5) flat++;
      put(`${foot}FootFlatFor${cap(from)}To${cap(to)}`, (flat / (q - p + 1)) * 100);
      put(
        `${foot}FootTravel${cap(from)}To${cap(to)}`,
        travel(x, foot, p, q, "toe", (k) => f.toe[k]! < 1.5),
      );
      if (view !== "face-on") continue;
      put(
        `${foot}HeelTravel${cap(from)}To${cap(to)}`,
        travel(x, foot, p, q, "heel", () => true),
      );
      put(`${foot}FootTurn${cap(from)}To${cap(to)}`, largest(f.turn, p, q));
    }
  }
  if (view === "face-on" && e.finish !== undefined)
    put("leadToeOutFinish", interpolated(feet.lead.turn, e.finish));
  const down = e.top !== undefined && e.impact !== undefined ? e.impact - e.top : null;
  if (down !== null) {
    const up = footEvents.find(
      (f) => f.foot === "trail" && f.event === "heelUp" && f.t > e.top! * MS,
    );
    if (up) put("trailHeelUpAt", ((up.t / MS - e.top!) / down) * 100);
    if (rep.propDrop !== undefined)
      put("propDropAt", ((rep.propDrop * TRUTH_HZ - e.top!) / down) * 100);
    if (up && e.recentre !== undefined) put("crossBeforeTrailHeelUp", up.t - e.recentre * MS);
  }
  if (e.midThrough !== undefined && e.finish !== undefined) {
    const end = interpolated(feet.trail.heel, e.finish);
    if (end >= 3) put("heelRiseMatch", (interpolated(feet.trail.heel, e.midThrough) / end) * 100);
  }
}

function order({ x, e, from }: RepCase, put: Put): void {
  const { top, impact, handStart, transition, slideStart, groundStart, recentre } = e;
  const hit = impact ?? e.release;
  const ms = (a: number | undefined, b: number | undefined) =>
    a === undefined || b === undefined ? undefined : (b - a) * MS;
  put("backTime", ms(handStart, top));
  put("downTime", ms(top, hit));
  if (handStart !== undefined && top !== undefined && hit !== undefined)
    put("tempoRatio", (top - handStart) / (hit - top));
  put("pelvisBeforeHands", ms(transition, top));
  put("slideBeforeHands", ms(slideStart, top));
  put("groundFirst", ms(groundStart, handStart));
  put("recentreBeforeTop", ms(recentre, top));
  if (handStart !== undefined) {
    const { hands, hip, head } = x.speed;
    const i = Math.floor(e.address!);
    let j = i;
    while (j > from && hands[j - 1]! < 3 && hip[j - 1]! < 3 && head[j - 1]! < 3) j--;
    put("stillBefore", ((i - j) * MS) / 1000);
    put(
      "peakHandSpeed",
      Math.max(...hands.subarray(Math.floor(handStart), Math.ceil(e.finish ?? x.n - 1))),
    );
  }
  if (top !== undefined && e.halfwayDown !== undefined) {
    const chest = rate(x.thoraxTurn);
    let i = near(e.halfwayDown);
    while (i > e.address! && chest[i]! > 0) i--;
    put("thoraxBeforeHands", (top - i) * MS);
  }
}

function weight({ e, leadShare, feet, rep, turns }: RepCase, put: Put): void {
  const a = e.address!;
  put("leadShareAddress", stillShare(leadShare, a, rep.movingStart ?? false));
  for (const name of ["top", "impact", "release", "finish"] as const)
    if (e[name] !== undefined) put(`leadShare${cap(name)}`, interpolated(leadShare, e[name]));
  const { handStart, top } = e;
  const hit = e.impact ?? e.release;
  if (handStart !== undefined) {
    const from = Math.max(a - sampleCount(1000), Math.floor(handStart) - sampleCount(1000), 0);
    put("leadSharePeakBeforeHands", leadShare[indexOfMax(leadShare, from, handStart)]);
  }
  if (top === undefined) return;
  let [peak, peakAt] = [-1, a];
  for (let i = Math.ceil(handStart ?? a); i <= top; i++)
    if (!feet.lead.air[i] && !feet.trail.air[i] && 100 - leadShare[i]! > peak)
      [peak, peakAt] = [100 - leadShare[i]!, i];
  if (peak >= 0) {
    put("trailSharePeak", peak);
    put("trailSharePeakAt", ((peakAt - a) / (top - a)) * 100);
  }
  put("shareReversals", reversals(leadShare, Math.min(a, e.groundStart ?? a), near(top)));
  if (hit !== undefined) {
    let rise = 0;
    for (let i = near(top); i + sampleCount(100) <= hit; i++)
      rise = Math.max(rise, leadShare[i + sampleCount(100)]! - leadShare[i]!);
    put("loadRate", rise);
  }
  const beats = turns
    .filter(
      (t) =>
        t.of === "pressure" && t.at > a - sampleCount(200) && (hit === undefined || t.at < hit),
    )
    .map((t) => t.at);
  if (beats.length >= 3) {
    const last = beats.slice(-3);
    const gaps = [last[1]! - last[0]!, last[2]! - last[1]!];
    const middle = (gaps[0]! + gaps[1]!) / 2;
    put("beatSpread", (Math.abs(gaps[0]! - gaps[1]!) / Math.SQRT2 / middle) * 100);
  }
}

/** How many times a share turns by at least 15 points. */
function reversals(share: ArrayLike<number>, from: number, to: number): number {
  let [low, high, direction, count] = [share[from]!, share[from]!, 0, 0];
  for (let i = from; i <= to; i++) {
    low = Math.min(low, share[i]!);
    high = Math.max(high, share[i]!);
    if (direction >= 0 && high - share[i]! >= 15) {
      if (direction > 0 || high - share[from]! >= 15) count++;
      direction = -1;
      [low, high] = [share[i]!, share[i]!];
    } else if (direction <= 0 && share[i]! - low >= 15) {
      if (direction < 0 || share[from]! - low >= 15) count++;
      direction = 1;
      [low, high] = [share[i]!, share[i]!];
    }
  }
  return count;
}

function steps({ x, e, footEvents, view, to }: RepCase, put: Put): void {
  const a = e.address!;
  const { poses, body } = x.sim;
  const hit = e.impact ?? e.release ?? to;
  if (view === "face-on") {
    const gap = (i: number) => poses[near(i)]!.lead.ankle[0] - poses[near(i)]!.trail.ankle[0];
    put("footGapAddress", gap(a));
    put("footGapHipsAddress", gap(a) / norm(sub(poses[a]!.lead.hip, poses[a]!.trail.hip)));
  }
  for (const foot of FEET) {
    const last = (hit + (foot === "trail" ? sampleCount(1200) : 0)) * MS;
    const off = footEvents.find(
      (f) => f.foot === foot && f.event === "liftOff" && f.t > a * MS && f.t < last,
    );
    const on =
      off && footEvents.find((f) => f.foot === foot && f.event === "landing" && f.t > off.t);
    if (off && on && view === "face-on") {
      put(`${foot}StepLength`, settled(x, foot, on.t) - poses[a]![foot].ankle[0]);
      const other = foot === "lead" ? "trail" : "lead";
      const gapAfter = Math.abs(
        settled(x, foot, on.t) -
          poses[Math.min(near(on.t / MS) + sampleCount(60), x.n - 1)]![other].ankle[0],
      );
      put(`${foot}LandingOffset`, gapAfter - (35 * body.stature) / 178);
    }
    if (view !== "face-on") continue;
    if (foot === "trail" && off && e.handStart !== undefined && off.t < hit * MS)
      put("trailStepBeforeHands", (e.handStart - off.t / MS) * MS);
    if (foot === "lead" && on && e.top !== undefined && on.t < hit * MS + 400)
      put("leadLandBeforeTop", e.top * MS - on.t);
    if (foot === "lead" && off && e.midBack !== undefined)
      put("leadLiftFromMidBack", off.t - e.midBack * MS);
    if (foot === "trail" && on && e.impact !== undefined && on.t > e.impact * MS) {
      put("trailLandAfterImpact", on.t - e.impact * MS);
      const i = Math.min(x.n - 1, near(on.t / MS) + sampleCount(60));
      put("trailLandsPastLead", poses[i]!.trail.toe[0] - poses[i]!.lead.toe[0]);
    }
  }
}
