import { mean } from "../../maths";
import { placeOnClock } from "../../motion";
import { nearest, pressureTurn } from "../../reps";
import {
  BOTH_VIEWS,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Measure,
  type RepMotion,
} from "../measure";
import { capitalSide, ofSides, SIDES, type MeasuredSide } from "../moments";
import { extremes, range } from "../spans";

/** One period of a to-and-fro. */
const CYCLE = {
  family: "order",
  views: FACE_ON,
  reads: EVERY_PART,
  waitsFor: ["end"],
  spoiledBy: [],
  ofAnySwing: true,
  gate: null,
} as const satisfies Partial<Measure>;

const handTurns = ({ rep }: RepMotion) => rep.turns.filter((t) => t.of === "hands");

/** Turns are matched side by side. */
const groundLeadsHands = (r: RepMotion) => {
  const { fromMs, toMs, turns } = r.rep;
  const inside = r.of(handTurns).filter((t) => t.ms >= fromMs - 20 && t.ms <= toMs + 20);
  const leads = inside.flatMap((h) => {
    const same = pressureTurn(turns, h, toMs - fromMs);
    return same ? [h.ms - same.ms] : [];
  });
  return leads.length ? got(mean(leads), toMs) : unmeasured("eventNotFound");
};

const handRange = ({ m, rep }: RepMotion) => {
  const places = SIDES.map((s) => placeOnClock(m.feet[s], m.startMs, m.dt, m.n));
  const beyond = m.handsT.map((t, i) => {
    const ends = places.flatMap((p) => [p.heelT[i]!, p.toeT[i]!]);
    return Math.max(t - Math.max(...ends), Math.min(...ends) - t);
  });
  return got(extremes(beyond, nearest(m, rep.fromMs), nearest(m, rep.toMs)).high, rep.toMs);
};

/** Over how much of one period a channel goes, smallest to largest. */
const overPeriod =
  (of: "handsT" | "handsU") =>
  ({ m, rep }: RepMotion) =>
    got(range(m[of], nearest(m, rep.fromMs), nearest(m, rep.toMs)), rep.toMs);

const landBeforeTurnaround = (r: RepMotion) => {
  const { fromMs, toMs, footEvents } = r.rep;
  const waits = footEvents
    .filter((f) => f.event === "landing" && f.ms >= fromMs && f.ms <= toMs)
    .flatMap((f) => {
      const next = r.of(handTurns).find((t) => t.ms > f.ms - 300);
      return next ? [next.ms - f.ms] : [];
    });
  return waits.length ? got(mean(waits), toMs) : unmeasured("noStep");
};

/**
 * Largest move of a toe from where it stood first since its foot last landed, cm. A foot that is
 * dragged quickly stands in two places with no step between them: that is one slip.
 */
const plantedTravel = ({ m, rep }: RepMotion, side: MeasuredSide) => {
  const { fromMs, toMs, footEvents } = rep;
  const left = (from: number, to: number) =>
    footEvents.some(
      (e) =>
        e.foot === side && e.event === "liftOff" && e.ms > from - NEAR_MS && e.ms < to + NEAR_MS,
    );
  let most = 0;
  let first = NaN;
  let before = -Infinity;
  for (const s of m.feet[side].spells) {
    if (left(before, s.fromMs)) first = NaN;
    before = s.toMs;
    for (const [k, t] of s.toe.times.entries()) {
      if (t < Math.max(fromMs, s.fromMs) || t > Math.min(toMs, s.toMs)) continue;
      const at = s.toeT + s.toe.t[k]!;
      if (Number.isNaN(at)) continue;
      if (Number.isNaN(first)) first = at;
      most = Math.max(most, Math.abs(at - first));
    }
  }
  return got(most, toMs);
};
/** A spell's ends and the foot's own events are told within this, ms. */
const NEAR_MS = 150;

export const cycle = {
  groundLeadsHands: {
    ...CYCLE,
    name: "Ground leads hands",
    unit: "ms",
    definition: "From the turn of the weight to the turn of the hands, on the same side.",
    gate: { kind: "groundTurn" },
    channels: { cycle: groundLeadsHands },
  },
  handRange: {
    ...CYCLE,
    name: "Hands beyond the feet",
    unit: "cm",
    definition: "How far the hands go beyond the outer edges of your feet.",
    channels: { cycle: handRange },
  },
  handTravel: {
    ...CYCLE,
    name: "Hands from side to side",
    unit: "cm",
    definition: "How far the hands go along the target line, over one period.",
    channels: { cycle: overPeriod("handsT") },
  },
  handRise: {
    ...CYCLE,
    name: "Hands up",
    unit: "cm",
    definition: "How far the hands rise above their lowest, over one period.",
    channels: { cycle: overPeriod("handsU") },
  },
  cadence: {
    ...CYCLE,
    name: "Cadence",
    unit: "a minute",
    views: BOTH_VIEWS,
    definition: "Periods a minute.",
    channels: { cycle: ({ rep }) => got(60000 / (rep.toMs - rep.fromMs), rep.toMs) },
  },
  landBeforeTurnaround: {
    ...CYCLE,
    name: "Foot down before the turn",
    unit: "ms",
    definition: "From a foot's landing to the turn of the hands that follows.",
    channels: { cycle: landBeforeTurnaround },
  },
  ...ofSides("PlantedTravel", (side) => ({
    ...CYCLE,
    name: `${capitalSide(side)} foot slips`,
    unit: "cm",
    family: "feet",
    spoiledBy: ["feet"],
    ofAnySwing: false,
    definition: `Largest move of the ${side} foot while it stands.`,
    channels: { cycle: (r) => plantedTravel(r, side) },
  })),
} as const satisfies Record<string, Measure>;
