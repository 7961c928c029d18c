import { dot, norm, sub, unit, type Vec3 } from "../../maths";
import { rearEdge } from "../surface";
import { TRUTH_HZ } from "../simulate";
import { FEET, of, ofSide } from "./exact";
import { interpolated, MS, rangeOver, rate, sampleCount } from "./search";
import { cycleMeasures } from "./cycle";
import { holding } from "./hold";
import { pivotMeasures } from "./pivot";
import { near, type Put, type RepCase } from "./repCase";
import { largest, travel } from "./travel";
import type { TruthEvent } from "./swingEvents";
import { AT_EVENTS, DEG } from "./atEvents";
import { capital } from "./capital";
import { faceOnPosture, settled } from "./faceOnPosture";
import { weight } from "./weight";

type Values = Record<string, number>;
const angleAt = (a: Vec3, b: Vec3, c: Vec3) =>
  Math.acos(Math.min(1, Math.max(-1, dot(unit(sub(a, b)), unit(sub(c, b)))))) * DEG;

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
    put(`copDepth${capital(name)}`, ((cop - heel) / (toe - heel)) * 100);
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
        `${foot}KneeAngleChange${capital(from)}To${capital(to)}`,
        interpolated(angle, j) - interpolated(angle, i),
      );
      if (view === "face-on")
        put(`${foot}KneeTravel${capital(from)}To${capital(to)}`, rangeOver(t, near(i), near(j)));
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
      if (e[name] !== undefined) put(`${foot}HeelHeight${capital(name)}`, rise(e[name]));
    for (const [from, to] of WINDOWS) {
      const [i, j] = [e[from], e[to]];
      if (i === undefined || j === undefined) continue;
      const [p, q] = [near(i), near(j)];
      let flat = 0;
      for (let k = p; k <= q; k++) if (f.heel[k]! < 1.5 && f.toe[k]! < 1.5) flat++;
      put(`${foot}FootFlatFor${capital(from)}To${capital(to)}`, (flat / (q - p + 1)) * 100);
      put(
        `${foot}FootTravel${capital(from)}To${capital(to)}`,
        travel(x, foot, p, q, "toe", (k) => f.toe[k]! < 1.5),
      );
      if (view !== "face-on") continue;
      put(
        `${foot}HeelTravel${capital(from)}To${capital(to)}`,
        travel(x, foot, p, q, "heel", () => true),
      );
      put(`${foot}FootTurn${capital(from)}To${capital(to)}`, largest(f.turn, p, q));
    }
  }
  if (view === "face-on" && e.finish !== undefined)
    put("leadToeOutFinish", interpolated(feet.lead.turn, e.finish));
  const down = e.top !== undefined && e.impact !== undefined ? e.impact - e.top : null;
  if (down !== null) {
    const up = trailHeelUp(footEvents, e.top! * MS, e.impact! * MS, e.midThrough);
    if (up !== undefined) put("trailHeelUpAt", ((up / MS - e.top!) / down) * 100);
    if (rep.propDrop !== undefined)
      put("propDropAt", ((rep.propDrop * TRUTH_HZ - e.top!) / down) * 100);
    if (up !== undefined && e.recentre !== undefined)
      put("crossBeforeTrailHeelUp", up - e.recentre * MS);
  }
  if (e.midThrough !== undefined && e.finish !== undefined) {
    const end = interpolated(feet.trail.heel, e.finish);
    if (end >= 3) put("heelRiseMatch", (interpolated(feet.trail.heel, e.midThrough) / end) * 100);
  }
}

/**
 * When the trail heel rises, ms: after the top, or after the landing of a step that ends on the way
 * down. One that is still down at mid-through counts as rising then.
 */
function trailHeelUp(
  events: RepCase["footEvents"],
  top: number,
  impact: number,
  midThrough: number | undefined,
): number | undefined {
  const own = events.filter((f) => f.foot === "trail");
  const off = own.find((f) => f.event === "liftOff" && f.t < impact);
  const landing = off && own.find((f) => f.event === "landing" && f.t > off.t)?.t;
  const from = landing !== undefined && landing > top ? landing : top;
  const up = own.find((f) => f.event === "heelUp" && f.t > from)?.t;
  if (midThrough === undefined) return up;
  return Math.min(up ?? Infinity, midThrough * MS);
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
