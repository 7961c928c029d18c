import { valueAt, nearest, toMs, turnsOf, bothDown, type Rep } from "../../reps";
import type { Motion } from "../../motion";
import {
  afterHit,
  DOWN_THE_LINE,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Measure,
  type RepPart,
  type RepMotion,
} from "../measure";
import { atMoments, MOMENT, MOMENTS, SIDES, type Moment } from "../moments";
import { extremes } from "../spans";
import { placeAt } from "../steps";
import { trailHeelUp } from "./heels";

/** Estimated weight: shares in % on the lead foot (the trail peak on the trail foot). */
const WEIGHT = {
  family: "weight",
  views: FACE_ON,
  reads: EVERY_PART,
  spoiledBy: ["feet"],
  ofAnySwing: true,
  gate: null,
} as const satisfies Partial<Measure>;

const SHARE_READS: Record<Moment, readonly RepPart[]> = {
  Top: ["still", "top"],
  HalfwayDown: EVERY_PART,
  Impact: ["still", "down", "impact"],
  Release: EVERY_PART,
  Finish: EVERY_PART,
};
const SHARE_PLAIN: Partial<Record<Moment, Measure["plain"]>> = {
  Impact: {
    below: "Your weight is still on the trail foot at the strike",
    above: "Your weight is far ahead at the strike",
  },
  Finish: { below: "You end on the trail foot" },
};

/** Points of share that a beat moves the weight by, at least. */
const LEAST_BEAT = 15;

/**
 * Time over which the pressure's smoothing runs a step of the weight into its neighbours, ms:
 * (sd·√dt / jerk)^⅓ of the smoother (reps/weight.ts). So near a foot's leaving or landing the share
 * is partly that of the foot in the air.
 */
const SMEAR_MS = 90;

/** A foot that was last seen to stand longer than this before an instant may be anywhere, ms. */
const UNSEEN_MS = 500;

/** Between feet nearer than this along T a share means little, cm (docs/movement.md, weight). */
const LEAST_APART = 20;

const bothSeen = (m: Motion, ms: number): boolean =>
  SIDES.every((side) => m.feet[side].spells.some((s) => s.toMs > ms - UNSEEN_MS));

/** How far the lead ankle stands ahead of the trail ankle along T, cm. */
const feetApart = (m: Motion, ms: number): number =>
  placeAt(m, "lead", "ankleT", ms) - placeAt(m, "trail", "ankleT", ms);

const walked = (rep: Rep, ms: number): boolean =>
  SIDES.some((side) => rep.air[side].some(([, to]) => to <= ms));

/**
 * After a walk through the strike the finish is read when the landing's smear has gone: three times
 * its length.
 */
function settled(rep: Rep, finish: number): number {
  const landed = Math.max(
    ...[...rep.air.lead, ...rep.air.trail].map(([, to]) => to).filter((to) => to <= finish),
    -Infinity,
  );
  return Math.max(finish, landed + 3 * SMEAR_MS);
}

/**
 * Largest trail share between hand start and top while both feet are down, clear of the smear of a
 * foot in the air; and when.
 */
function trailPeak(r: RepMotion): { peak: number; at: number } {
  const { m, rep } = r;
  let peak = NaN;
  let at = NaN;
  const from = r.sample(Number.isNaN(rep.events.handStart) ? "address" : "handStart");
  for (let i = from; i <= r.sample("top"); i++) {
    const trail = 100 - rep.leadShare[i]!;
    if (!bothDown(rep.air, toMs(m, i), SMEAR_MS) || trail <= peak) continue;
    peak = trail;
    at = toMs(m, i);
  }
  return { peak, at };
}

const shareAt = ({ m, rep }: RepMotion, moment: Moment) => {
  const event = rep.events[MOMENT[moment].event];
  if (moment !== "Finish") return got(valueAt(m, rep.leadShare, event), event);
  const ms = settled(rep, event);
  if (!bothSeen(m, ms)) return unmeasured("footNotSeen");
  if (!bothDown(rep.air, ms)) return got(valueAt(m, rep.leadShare, ms), ms);
  const apart = feetApart(m, ms);
  if (Math.abs(apart) < LEAST_APART) return unmeasured("feetClose");
  // Feet do not change sides without a step: the network drew one leg for the other.
  return apart < 0 && !walked(rep, ms)
    ? unmeasured("footNotSeen")
    : got(valueAt(m, rep.leadShare, ms), ms);
};

/** Largest rise of the share within 100 ms, from the top to the strike. */
const loadRate = (r: RepMotion) => {
  const { m, rep } = r;
  const span = Math.round(0.1 / m.dt);
  let [rise, at] = [0, rep.events.top];
  for (let i = r.sample("top"); i + span <= r.sample("hit"); i++)
    if (rep.leadShare[i + span]! - rep.leadShare[i]! > rise)
      [rise, at] = [rep.leadShare[i + span]! - rep.leadShare[i]!, toMs(m, i)];
  return got(rise, at);
};

const beatSpread = ({ m, rep, hit }: RepMotion) => {
  const beats = turnsOf("pressure", m, rep.leadShare, LEAST_BEAT)
    .filter((t) => t.ms > rep.events.address - 200 && t.ms < hit)
    .map((t) => t.ms)
    .slice(-3);
  const gaps = [beats[1]! - beats[0]!, beats[2]! - beats[1]!];
  return beats.length < 3
    ? unmeasured("eventNotFound")
    : got(
        (Math.abs(gaps[0]! - gaps[1]!) / Math.SQRT2 / ((gaps[0]! + gaps[1]!) / 2)) * 100,
        beats[2],
      );
};

/** Place of the pressure from the heels (0) to the toes (100), from behind. */
const depth = ({ m, rep }: RepMotion, ms: number) => {
  const end = (key: "heelT" | "toeT") =>
    SIDES.reduce((sum, s) => sum + placeAt(m, s, key, ms) / 2, 0);
  return got(
    ((valueAt(m, rep.pressure, ms) - end("heelT")) / (end("toeT") - end("heelT"))) * 100,
    ms,
  );
};

/** Points of share by which the weight must turn to have turned. */
const REVERSAL = 15;

/**
 * How many times a share turns by at least 15 points between two samples: the first motion counts
 * as a turn once it is that long.
 */
function reversals(share: Float64Array, from: number, to: number): number {
  let [low, high, direction, count] = [share[from]!, share[from]!, 0, 0];
  for (let i = from; i <= to; i++) {
    const v = share[i]!;
    low = Math.min(low, v);
    high = Math.max(high, v);
    const fell = direction >= 0 && high - v >= REVERSAL;
    const rose = direction <= 0 && v - low >= REVERSAL;
    if (!fell && !rose) continue;
    // Going away from the start is no turn yet; coming back is.
    if (direction !== 0) count++;
    direction = fell ? -1 : 1;
    low = high = v;
  }
  return count;
}

export const weight = {
  leadShareAddress: {
    ...WEIGHT,
    name: "Lead share, still",
    unit: "%",
    definition:
      "Estimated share of your weight on the lead foot over the last 0.3 s of standing still.",
    waitsFor: ["handStart"],
    reads: ["still"],
    gate: { kind: "leadShare", at: "address" },
    share: { foot: "lead", when: "still" },
    channels: { swing: ({ rep }) => got(rep.shareStill, rep.events.address) },
  },
  ...atMoments("leadShare", MOMENTS, (at) => ({
    ...WEIGHT,
    name: `Lead share, ${MOMENT[at].words}`,
    unit: "%",
    definition: `Estimated share of your weight on the lead foot ${MOMENT[at].words}.`,
    waitsFor: [MOMENT[at].waitsFor],
    reads: SHARE_READS[at],
    ...(SHARE_PLAIN[at] ? { plain: SHARE_PLAIN[at] } : {}),
    gate: at === "HalfwayDown" ? null : { kind: "leadShare", at: MOMENT[at].event },
    share: { foot: "lead", when: MOMENT[at].words },
    channels: { swing: (r) => shareAt(r, at) },
  })),
  leadSharePeakBeforeHands: {
    ...WEIGHT,
    name: "Lead share before the hands",
    unit: "%",
    definition: "Largest estimated share on the lead foot in the second before the hands start.",
    waitsFor: ["handStart"],
    share: { foot: "lead", when: "before the hands" },
    channels: {
      swing: ({ m, rep }) => {
        const { address, handStart } = rep.events;
        if (Number.isNaN(handStart)) return unmeasured("eventNotFound");
        const from = nearest(m, Math.max(address - 1000, handStart - 1000));
        const { high, highAt } = extremes(rep.leadShare, from, nearest(m, handStart));
        return got(high, toMs(m, highAt));
      },
    },
  },
  trailSharePeak: {
    ...WEIGHT,
    name: "Weight on the trail foot",
    unit: "%",
    definition:
      "Largest estimated share of your weight on the trail foot on the way back, while both feet are down.",
    waitsFor: ["top"],
    reads: ["still", "back", "top", "trailOn", "leadOff"],
    plain: { below: "Your weight hardly goes back", above: "Your weight goes back too far" },
    gate: { kind: "trailShare" },
    share: { foot: "trail", when: "while the trail foot bears most" },
    channels: {
      swing: (r) => got(r.of(trailPeak).peak, r.of(trailPeak).at, "footNotSeen"),
    },
  },
  trailSharePeakAt: {
    ...WEIGHT,
    name: "Weight on the trail foot, when",
    unit: "%",
    definition: "When that is, in % of the way from still to the top.",
    waitsFor: ["top"],
    reads: ["still", "back", "top", "trailOn", "leadOff"],
    channels: {
      swing: (r) => {
        const { address, top } = r.rep.events;
        const { at } = r.of(trailPeak);
        return got(((at - address) / (top - address)) * 100, at, "footNotSeen");
      },
    },
  },
  shareReversals: {
    ...WEIGHT,
    name: "Weight turns",
    unit: "times",
    definition:
      "How often the weight turns by at least 15 points between the first motion and the top.",
    waitsFor: ["top"],
    channels: {
      swing: (r) => {
        const { address, groundStart, top } = r.rep.events;
        const first = Math.min(address, Number.isNaN(groundStart) ? address : groundStart);
        return got(reversals(r.rep.leadShare, nearest(r.m, first), r.sample("top")), top);
      },
    },
  },
  recentreBeforeTop: {
    ...WEIGHT,
    name: "Weight across before the top",
    unit: "ms",
    definition:
      "From the moment the weight crosses the middle toward the lead foot to the top; minus = after the top.",
    waitsFor: ["recentre", "top"],
    reads: ["still", "back", "top", "down", "leadOn"],
    plain: { below: "Your weight comes across late" },
    gate: { kind: "crossing" },
    channels: {
      swing: ({ rep: { events } }) =>
        got(events.top - events.recentre, events.recentre, "neverLoaded"),
    },
  },
  groundFirst: {
    ...WEIGHT,
    name: "Ground before hands",
    unit: "ms",
    definition: "From the first push of the feet to the hands starting; plus = the ground first.",
    waitsFor: ["handStart"],
    plain: { below: "Your hands start before the ground does" },
    channels: {
      swing: ({ rep: { events } }) =>
        got(events.handStart - events.groundStart, events.groundStart),
    },
  },
  loadRate: {
    ...WEIGHT,
    name: "Fastest shift",
    unit: "%",
    definition: "Largest rise of the lead share within 100 ms, from the top to the strike.",
    waitsFor: ["strike"],
    channels: { swing: afterHit(loadRate) },
  },
  crossBeforeTrailHeelUp: {
    ...WEIGHT,
    name: "Weight across before the heel",
    unit: "ms",
    definition: "From the weight crossing the middle to the trail heel rising.",
    waitsFor: ["midThrough"],
    plain: { below: "Your trail heel is up before the weight is across" },
    joints: (r) => {
      const up = r.of(trailHeelUp);
      return up === null
        ? unmeasured("eventNotFound")
        : got(up - r.rep.events.recentre, up, "neverLoaded");
    },
  },
  beatSpread: {
    ...WEIGHT,
    name: "Beat, unevenness",
    unit: "%",
    family: "order",
    spoiledBy: [],
    definition: "Spread of the spacing of the last three turns of the weight before the strike.",
    waitsFor: ["strike"],
    channels: { swing: afterHit(beatSpread) },
  },
  ...atMoments("copDepth", ["Address", ...MOMENTS], (at) => ({
    ...WEIGHT,
    name: `Pressure along the feet, ${MOMENT[at].words}`,
    unit: "%",
    views: DOWN_THE_LINE,
    definition: `Estimated place of your pressure from the heels (0) to the toes (100) ${MOMENT[at].words}.`,
    waitsFor: [MOMENT[at].waitsFor],
    channels: { swing: (r) => depth(r, r.rep.events[MOMENT[at].event]) },
  })),
} as const satisfies Record<string, Measure>;
