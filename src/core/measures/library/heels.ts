import { resample } from "../../maths";
import { largestTurn, partHeight, type Motion } from "../../motion";
import { heelStays, nearest, toMs, valueAt } from "../../reps";
import {
  BOTH_VIEWS,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Measure,
  type RepMotion,
} from "../measure";
import { onePlace } from "../onePlace";
import { stepOf } from "../steps";
import {
  capitalSide,
  MOMENT,
  ofSidesAtMoments,
  ofSidesOverSpans,
  overSpan,
  SPAN,
  type MeasuredSide,
  type Span,
} from "../moments";

/** Heels over the ground, feet that slide, turn or stay flat. */
const FEET = {
  family: "feet",
  views: BOTH_VIEWS,
  reads: EVERY_PART,
  spoiledBy: ["feet"],
  ofAnySwing: false,
  gate: null,
} as const satisfies Partial<Measure>;

/** A foot that opens by more than this has spun, degrees: three uncertainties of a turn. */
const SPINS = 15;
/** A heel that is told farther off than this has moved, cm: as the drills that ask it to stay. */
const HEEL_STAYS = 4;
const OTHER = { lead: "trail", trail: "lead" } as const;
const TRAVEL_PLAIN: Partial<Record<`${MeasuredSide}${Span}`, Measure["plain"]>> = {
  trailTopToImpact: { above: "Your trail foot scrapes on the way down" },
  leadTopToImpact: { above: "Your lead foot slips on the way down" },
  leadImpactToFinish: { above: "Your lead foot slides after the strike" },
};

/** Under this a heel or toe is down, cm; a rise that ends lower is none. */
const DOWN = 1.5;
const RISES = 3;

const height = (side: MeasuredSide, part: "heel" | "toe") => (r: RepMotion) =>
  partHeight(r.m, side, part, r.sample("address"));
const HEIGHT = {
  lead: { heel: height("lead", "heel"), toe: height("lead", "toe") },
  trail: { heel: height("trail", "heel"), toe: height("trail", "toe") },
};
const path = (side: MeasuredSide, part: "heel" | "toe") => (r: RepMotion) =>
  followed(r.m, side, part);
const PATH = {
  lead: { heel: path("lead", "heel"), toe: path("lead", "toe") },
  trail: { heel: path("trail", "heel"), toe: path("trail", "toe") },
};

/**
 * Frames in which a foot was seen to stand, or followed on from there as it slides or leaves; null
 * where legs that crossed in the picture may have been taken for one another.
 */
function standing(m: Motion, side: MeasuredSide, from: number, to: number): boolean[] | null {
  const [own, other] = [m.feet[side].spells, m.feet[OTHER[side]].spells];
  const out = new Array<boolean>(m.n).fill(false);
  for (const [k, s] of own.entries()) {
    const until = s.toe.times[s.toe.times.length - 1] ?? s.toMs;
    const [first, last] = [nearest(m, s.fromMs), nearest(m, Math.max(until, s.toMs))];
    if (last < from || first > to) continue;
    const before = own[k - 1];
    const theirs = before && other.filter((o) => o.fromMs < before.toMs).at(-1);
    if (theirs && Math.abs(s.toeT - theirs.toeT) < Math.abs(s.toeT - before.toeT)) return null;
    out.fill(true, first, last + 1);
  }
  return out;
}

/** From when a rising trail heel counts, ms: the top, or the landing of a step with the way down. */
function heelCountsFrom({ rep, hit }: RepMotion): number {
  const { top } = rep.events;
  const step = stepOf(rep, "trail");
  const lands = step && step.liftOff < hit && Number.isFinite(step.landing);
  return lands && step.landing > top ? step.landing : top;
}

/** The first rise of the trail heel on the way down or after it. */
const firstRise = (r: RepMotion) =>
  r.rep.footEvents.find(
    (f) => f.foot === "trail" && f.event === "heelUp" && f.ms > r.of(heelCountsFrom),
  );

/**
 * When the trail heel rises, ms. One that was followed until halfway through and was still down
 * rises then at the earliest. Null where it was not seen so long.
 */
export function trailHeelUp(r: RepMotion): number | null {
  const { midThrough } = r.rep.events;
  const up = r.of(firstRise);
  if (up && !(up.ms > midThrough)) return up.ms;
  const from = r.of(heelCountsFrom);
  const followed = r.m.feet.trail.spells.some(
    (s) =>
      s.fromMs <= from + SETTLED_MS &&
      s.toMs >= midThrough &&
      s.rises.some((rise) => heelStays(rise, midThrough)),
  );
  // One that rises later, and was not seen to stay down until then, may have risen before.
  return followed ? midThrough : null;
}

/** A spell on the ground is found this long after its landing at most, ms. */
const SETTLED_MS = 120;

/**
 * Height of a heel at address over the line through both feet's toes, less what a flat shoe shows
 * (heel and toe points level).
 */
function heelAtAddress(m: Motion, side: MeasuredSide, a: number): number {
  const { heel, toe } = m.joints[side];
  const other = m.joints[OTHER[side]];
  // Flat feet look alike: one whose heel stands higher over its toe than the other's is up.
  return Math.max(0, heel.u[a]! - toe.u[a]! - (other.heel.u[a]! - other.toe.u[a]!));
}

/**
 * A heel or toe along T: as followed in the picture from where its foot stands, between that by the
 * network. While a foot stands its own place counts; then what was followed on from it, before what
 * was followed back from its next one, since a foot that walks past is taken for it there.
 */
function followed(m: Motion, side: MeasuredSide, part: "heel" | "toe"): Float64Array {
  const out = m.joints[side][part].t.slice();
  const key = part === "heel" ? "heelT" : "toeT";
  const spells = m.feet[side].spells
    .filter((s) => s[part].times.length > 0)
    .map((s) => {
      const { times, t } = s[part];
      return { ...s, times, seen: resample(times, t, m.startMs, m.dt * 1000, m.n) };
    });
  const put = (s: (typeof spells)[number], fromMs: number, toMs: number) => {
    for (let i = nearest(m, fromMs); i <= nearest(m, toMs); i++)
      if (!Number.isNaN(s.seen[i]!)) out[i] = s[key] + s.seen[i]!;
  };
  for (const s of spells) put(s, s.times[0]!, s.fromMs);
  for (const s of spells) put(s, s.toMs, s.times[s.times.length - 1]!);
  for (const s of spells) put(s, s.fromMs, s.toMs);
  return out;
}

/** Whether a foot was seen to stand on one and the same place of its heel in a span. */
function onItsHeel(m: Motion, side: MeasuredSide, from: number, to: number): boolean {
  const there = m.feet[side].spells.filter(
    (s) => s.toMs >= toMs(m, from) && s.fromMs <= toMs(m, to),
  );
  return there.every((s) => Math.abs(s.heelT - there[0]!.heelT) < HEEL_STAYS);
}

function travel(x: Float64Array, from: number, to: number, counts: (i: number) => boolean): number {
  let most = 0;
  for (let i = from; i <= to; i++) if (counts(i)) most = Math.max(most, Math.abs(x[i]! - x[from]!));
  return most;
}

export const heels = {
  trailHeelUpAt: {
    ...FEET,
    name: "Trail heel rises, when",
    unit: "%",
    definition:
      "When the trail heel leaves the ground, in % of the way down (0 = top, 100 = strike). One that is still down halfway through counts as leaving then.",
    waitsFor: ["midThrough"],
    ofAnySwing: true,
    plain: { below: "Your trail heel comes up early" },
    joints: (r) => {
      const { top, impact } = r.rep.events;
      const up = r.of(trailHeelUp);
      return up === null
        ? unmeasured("eventNotFound")
        : got(((up - top) / (impact - top)) * 100, up);
    },
  },
  heelRiseMatch: {
    ...FEET,
    name: "Trail heel halfway through",
    unit: "%",
    definition:
      "Share of its height at the finish that the trail heel has when the trail arm is level after the strike.",
    waitsFor: ["finish"],
    ofAnySwing: true,
    joints: (r) => {
      const { midThrough, finish } = r.rep.events;
      const heel = r.of(HEIGHT.trail.heel);
      const end = valueAt(r.m, heel, finish);
      return end >= RISES
        ? got((valueAt(r.m, heel, midThrough) / end) * 100, midThrough)
        : unmeasured("eventNotFound");
    },
  },
  ...ofSidesAtMoments(
    "HeelHeight",
    ["Address", "Top", "Impact", "MidThrough", "Finish"],
    (side, at) => ({
      ...FEET,
      name: `${capitalSide(side)} heel ${MOMENT[at].words}`,
      unit: "cm",
      definition: `Height of the ${side} heel ${MOMENT[at].words} against where it stood.`,
      waitsFor: [MOMENT[at].waitsFor],
      ofAnySwing: side === "trail" && at === "Finish",
      joints: (r) => {
        const ms = r.rep.events[MOMENT[at].event];
        return at === "Address"
          ? got(heelAtAddress(r.m, side, r.sample("address")), ms)
          : got(Math.max(0, valueAt(r.m, r.of(HEIGHT[side].heel), ms)), ms);
      },
    }),
  ),
  ...ofSidesOverSpans("FootFlatFor", (side, span) => ({
    ...FEET,
    name: `${capitalSide(side)} foot flat, ${SPAN[span].words}`,
    unit: "%",
    definition: `Share of the time ${SPAN[span].words} with heel and toe of the ${side} foot down.`,
    waitsFor: [SPAN[span].waitsFor],
    ofAnySwing: side === "trail" && span === "AddressToTop",
    joints: overSpan(span, (r, from, to) => {
      const [heel, toe] = [r.of(HEIGHT[side].heel), r.of(HEIGHT[side].toe)];
      let flat = 0;
      for (let i = from; i <= to; i++) if (heel[i]! < DOWN && toe[i]! < DOWN) flat++;
      return got((flat / (to - from + 1)) * 100, toMs(r.m, to));
    }),
  })),
  ...ofSidesOverSpans("FootTravel", (side, span) => ({
    ...FEET,
    name: `${capitalSide(side)} foot slides, ${SPAN[span].words}`,
    unit: "cm",
    definition: `Largest distance of the ${side} toe from its place while it is down, ${SPAN[span].words}.`,
    waitsFor: [SPAN[span].waitsFor],
    ofAnySwing: span === "TopToImpact" || (side === "lead" && span === "ImpactToFinish"),
    ...(TRAVEL_PLAIN[`${side}${span}`] ? { plain: TRAVEL_PLAIN[`${side}${span}`] } : {}),
    joints: overSpan(span, (r, from, to) => {
      // A toe that spins open about its heel is followed badly, and is told as a turn. The other way
      // no standing foot goes: that is the other foot, walking past it.
      if (largestTurn(r.m.direction[side], from, to, r.m.dt) > SPINS)
        return unmeasured("footMoved");
      const stood = standing(r.m, side, from, to);
      if (!stood) return unmeasured("footNotSeen");
      const toe = r.of(HEIGHT[side].toe);
      return got(
        travel(r.of(PATH[side].toe), from, to, (i) => stood[i]! && toe[i]! < DOWN),
        toMs(r.m, to),
      );
    }),
  })),
  ...ofSidesOverSpans("HeelTravel", (side, span) => ({
    ...FEET,
    name: `${capitalSide(side)} heel moves, ${SPAN[span].words}`,
    unit: "cm",
    views: FACE_ON,
    definition: `Largest distance of the ${side} heel from its place, ${SPAN[span].words}.`,
    waitsFor: [SPAN[span].waitsFor],
    joints: overSpan(span, (r, from, to) =>
      got(
        travel(r.of(PATH[side].heel), from, to, () => true),
        toMs(r.m, to),
      ),
    ),
  })),
  ...ofSidesOverSpans("FootTurn", (side, span) => ({
    ...FEET,
    name: `${capitalSide(side)} foot turns, ${SPAN[span].words}`,
    unit: "°",
    views: FACE_ON,
    definition: `How far the ${side} foot turns about its heel ${SPAN[span].words}, + toward the target.`,
    waitsFor: [SPAN[span].waitsFor],
    ofAnySwing: side === "lead" && span === "AddressToFinish",
    ...(side === "lead" && span === "AddressToFinish"
      ? { plain: { above: "Your lead foot spins out" } }
      : {}),
    joints: overSpan(span, ({ m }, from, to) => {
      const turn = largestTurn(m.direction[side], from, to, m.dt);
      // A foot that spins open on the way down leaves the place of its toe. After the strike the other
      // leg passes it, and what seems to open may be that.
      const spun = span === "TopToImpact" && turn > SPINS && onItsHeel(m, side, from, to);
      return spun || onePlace(m, side, from, to)
        ? got(turn, toMs(m, to), "footNotSeen")
        : unmeasured("footMoved");
    }),
  })),
} as const satisfies Record<string, Measure>;
