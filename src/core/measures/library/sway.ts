import { nearest, toMs, valueAt } from "../../reps";
import type { Motion } from "../../motion";
import {
  afterHit,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Compute,
  type Measure,
} from "../measure";
import { atMoments, MOMENT, MOMENTS } from "../moments";
import { extremes, range } from "../spans";
import { placeAt, stepOf } from "../steps";

const SWAY = {
  unit: "cm",
  family: "sway",
  views: FACE_ON,
  reads: EVERY_PART,
  spoiledBy: [],
  ofAnySwing: true,
  gate: null,
} as const satisfies Partial<Measure>;
const HEAD = { ...SWAY, spoiledBy: ["head"] } as const;

/** A head that was hidden for longer than this was placed by the network alone too long, ms. */
const HIDDEN_MS = 250;

function isHeadHidden(m: Motion, from: number, to: number): boolean {
  let run = 0;
  for (let i = from; i <= to; i++) {
    run = m.headHidden[i] ? run + 1 : 0;
    if (run * m.dt * 1000 >= HIDDEN_MS) return true;
  }
  return false;
}

/**
 * After a trail step: from its landing, against the middle of the feet as that step planted them
 * (the lead foot at its address place), less the same difference at address.
 */
const pelvisSway: Compute = ({ m, rep }) => {
  const { address, top } = rep.events;
  const before = valueAt(m, m.hipT, address);
  const step = stepOf(rep, "trail");
  let from = address;
  let middleMoved = 0;
  if (step && step.landing < top) {
    from = step.landing;
    middleMoved =
      (placeAt(m, "trail", "ankleT", step.landing) - placeAt(m, "trail", "ankleT", address)) / 2;
  }
  const { low, lowAt } = extremes(m.hipT, nearest(m, from), nearest(m, top));
  return got(before - low + middleMoved, toMs(m, lowAt));
};

const pelvisSlide: Compute = ({ m, rep, hit }) => {
  const { top } = rep.events;
  const { high, highAt } = extremes(m.hipT, nearest(m, top), nearest(m, hit));
  return got(Math.max(0, high - valueAt(m, m.hipT, top)), toMs(m, highAt));
};

const headDrift: Compute = (r) => {
  const [a, b] = [r.sample("address"), r.sample("hit")];
  return isHeadHidden(r.m, a, b) ? unmeasured("headHidden") : got(range(r.m.headT, a, b), r.hit);
};

const headDriftBack: Compute = (r) => {
  const [a, b] = [r.sample("address"), r.sample("halfwayDown")];
  return isHeadHidden(r.m, a, b)
    ? unmeasured("headHidden")
    : got(range(r.m.headT, a, b), r.rep.events.halfwayDown);
};

/** The smaller of the two moves while hips and head are on opposite sides of their places. */
const counterMove: Compute = (r) => {
  const { m, hit } = r;
  const { address } = r.rep.events;
  const [hip, head] = [valueAt(m, m.hipT, address), valueAt(m, m.headT, address)];
  let most = 0;
  for (let i = r.sample("address"); i <= r.sample("hit"); i++) {
    const [p, q] = [m.hipT[i]! - hip, m.headT[i]! - head];
    if (p * q < 0) most = Math.max(most, Math.min(Math.abs(p), Math.abs(q)));
  }
  return got(most, hit);
};

/** The hips' lowest place from the top to halfway down; null where that was not found. */
const lowestHips = (r: Parameters<Compute>[0]) =>
  Number.isNaN(r.rep.events.halfwayDown)
    ? null
    : extremes(r.m.hipU, r.sample("top"), r.sample("halfwayDown"));

export const sway = {
  pelvisSway: {
    ...SWAY,
    name: "Hips away from the target",
    definition:
      "Largest move of the middle of your hips away from the target, from still to the top. After a trail step it counts from that landing, against the middle of the feet as they then stand.",
    waitsFor: ["top"],
    reads: ["still", "back", "top", "trailOn"],
    plain: { above: "Your hips go away from the target" },
    gate: { kind: "hips" },
    channels: { swing: pelvisSway },
  },
  pelvisSlide: {
    ...SWAY,
    name: "Hips toward the target",
    definition: "Move of the middle of your hips toward the target, from the top to the strike.",
    waitsFor: ["strike"],
    reads: ["top", "down", "impact"],
    plain: { above: "Your hips slide toward the target", below: "Your hips stay behind" },
    channels: { swing: afterHit(pelvisSlide) },
  },
  headDrift: {
    ...HEAD,
    name: "Head drift",
    definition: "How far your head wanders along the target line, from still to the strike.",
    waitsFor: ["strike"],
    reads: ["still", "back", "top", "down", "impact"],
    plain: { above: "Your head wanders" },
    channels: { swing: afterHit(headDrift) },
  },
  headDriftBack: {
    ...HEAD,
    name: "Head drift, way back",
    definition:
      "How far your head wanders along the target line, from still until the arms, or the hips alone, have turned half back again.",
    waitsFor: ["halfwayDown"],
    reads: ["still", "back", "top", "down"],
    channels: { swing: headDriftBack },
  },
  counterMove: {
    ...SWAY,
    name: "Head and hips apart",
    definition:
      "Largest move of hips and head in opposite directions at one instant (the smaller of the two), from still to the strike.",
    waitsFor: ["strike"],
    channels: { swing: afterHit(counterMove) },
  },
  headRise: {
    ...HEAD,
    name: "Head rises",
    definition: "Highest place of your head against where it was still, until the strike.",
    waitsFor: ["strike"],
    plain: { above: "Your head comes up" },
    channels: {
      swing: afterHit((r) =>
        got(
          extremes(r.m.headU, r.sample("address"), r.sample("hit")).high -
            valueAt(r.m, r.m.headU, r.rep.events.address),
          r.hit,
        ),
      ),
    },
  },
  pelvisDropTransition: {
    ...SWAY,
    name: "Hips sink",
    definition:
      "Lowest place of the middle of your hips from the top to halfway down, against the top.",
    waitsFor: ["halfwayDown"],
    channels: {
      swing: afterHit((r) => {
        const low = r.of(lowestHips);
        return low
          ? got(low.low - valueAt(r.m, r.m.hipU, r.rep.events.top), toMs(r.m, low.lowAt))
          : unmeasured("eventNotFound");
      }),
    },
  },
  pelvisRiseToImpact: {
    ...SWAY,
    name: "Hips rise",
    definition: "Height of the middle of your hips at the strike against that lowest place.",
    waitsFor: ["strike"],
    channels: {
      swing: afterHit((r) => {
        const low = r.of(lowestHips);
        return low
          ? got(valueAt(r.m, r.m.hipU, r.hit) - low.low, r.hit)
          : unmeasured("eventNotFound");
      }),
    },
  },
  pelvisDriftAtImpact: {
    ...SWAY,
    name: "Hips move through the strike",
    definition:
      "How far the middle of your hips moves along the target line within 75 ms of the strike.",
    waitsFor: ["strike"],
    plain: { above: "Your hips are still on their way at the strike" },
    channels: {
      swing: afterHit(({ m, hit }) =>
        got(range(m.hipT, nearest(m, hit - 75), nearest(m, hit + 75)), hit),
      ),
    },
  },
  ...atMoments("pelvisT", MOMENTS, (at) => ({
    ...SWAY,
    name: `Hips ${MOMENT[at].words}`,
    definition: `Place of the middle of your hips along the target line ${MOMENT[at].words}, against still; plus = toward the target.`,
    waitsFor: [MOMENT[at].waitsFor],
    ...(at === "HalfwayDown"
      ? {
          plain: {
            above: "Your hips run ahead on the way down",
            below: "Your hips hang back on the way down",
          },
        }
      : {}),
    channels: {
      swing: ({ m, rep }) => {
        const ms = rep.events[MOMENT[at].event];
        return got(valueAt(m, m.hipT, ms) - valueAt(m, m.hipT, rep.events.address), ms);
      },
    },
  })),
  ...atMoments("headT", MOMENTS, (at) => ({
    ...HEAD,
    name: `Head ${MOMENT[at].words}`,
    definition: `Place of your head along the target line ${MOMENT[at].words}, against still; plus = toward the target.`,
    waitsFor: [MOMENT[at].waitsFor],
    channels: {
      swing: ({ m, rep }) => {
        const ms = rep.events[MOMENT[at].event];
        return isHeadHidden(m, nearest(m, ms - HIDDEN_MS / 2), nearest(m, ms + HIDDEN_MS / 2))
          ? unmeasured("headHidden")
          : got(valueAt(m, m.headT, ms) - valueAt(m, m.headT, rep.events.address), ms);
      },
    },
  })),
} as const satisfies Record<string, Measure>;
