import { derivative } from "../../maths";
import { turnByWidth, turnedFromSquare, turnRate } from "../../motion";
import { nearest, toMs, valueAt, armAngle } from "../../reps";
import {
  afterHit,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Measure,
  type RepMotion,
} from "../measure";
import { atMoments, MOMENT, MOMENTS } from "../moments";
import { extremes, range } from "../spans";

/*
 * Turns of hips and chest by how narrow they look: worth some ten degrees, so their uncertainty is
 * wide.
 */
const TURN = {
  views: FACE_ON,
  reads: EVERY_PART,
  spoiledBy: [],
  ofAnySwing: true,
  gate: null,
} as const satisfies Partial<Measure>;
const ORDER = { ...TURN, family: "order", waitsFor: ["strike"] } as const;

/** Last sample that a turn counts to: the strike, or the top where none was found. */
const end = (r: RepMotion): number => r.sample(Number.isNaN(r.hit) ? "top" : "hit");
const hips = (r: RepMotion) => turnByWidth(r.m, "hip", r.sample("top"), r.of(end));
const chest = (r: RepMotion) => turnByWidth(r.m, "shoulder", r.sample("top"), r.of(end));
const hipRate = (r: RepMotion) => turnRate(r.of(hips), r.m.dt);
const chestRate = (r: RepMotion) => turnRate(r.of(chest), r.m.dt);
const onTheWayDown = (r: RepMotion, x: ArrayLike<number>) =>
  extremes(x, r.sample("top"), r.of(end));
const hipPeak = (r: RepMotion) => onTheWayDown(r, r.of(hipRate));
const chestPeak = (r: RepMotion) => onTheWayDown(r, r.of(chestRate));
/** The arms come down: their angle falls. */
const armPeakAt = (r: RepMotion): number => {
  const { m } = r;
  const angle = armAngle(m.handsT, m.handsU, m.shoulderT, m.shoulderU);
  return onTheWayDown(r, derivative(angle, m.dt)).lowAt;
};

/** Turn over one period of a rhythm drill. */
const overPeriod =
  (part: "hip" | "shoulder") =>
  ({ m, rep }: RepMotion) => {
    const [a, b] = [nearest(m, rep.fromMs), nearest(m, rep.toMs)];
    return got(range(turnByWidth(m, part, a, b), a, b), rep.toMs);
  };

/**
 * At the top alone, against the stillness: a range adds the noise of a body that is square, where a
 * width hardly changes with the turn.
 */
const turnBack = (pair: "hip" | "shoulder", name: string, has: string) =>
  ({
    ...TURN,
    name,
    unit: "°",
    family: "posture",
    definition: `How far your ${has} turned from still to the top, away from the target.`,
    waitsFor: ["top"],
    joints: (r) => {
      const square = [nearest(r.m, r.rep.stillFromMs), r.sample("address")] as const;
      return got(turnedFromSquare(r.m, pair, square, r.sample("top")), r.rep.events.top);
    },
  }) as const satisfies Measure;

export const turns = {
  thoraxRange: {
    ...TURN,
    name: "Chest turn",
    unit: "°",
    family: "posture",
    definition:
      "How far your chest turns from still to the strike (in a rhythm drill: over one period).",
    waitsFor: ["strike"],
    channels: { cycle: overPeriod("shoulder") },
    joints: (r) => got(range(r.of(chest), r.sample("address"), r.of(end)), r.hit),
  },
  thoraxTurnBack: turnBack("shoulder", "Chest turn at the top", "chest has"),
  pelvisTurnBack: turnBack("hip", "Hip turn at the top", "hips have"),
  pelvisRange: {
    ...TURN,
    name: "Hip turn",
    unit: "°",
    family: "posture",
    definition:
      "How far your hips turn from still to the strike (in a rhythm drill: over one period).",
    waitsFor: ["strike"],
    channels: { cycle: overPeriod("hip") },
    // Hips that turn in place seem to stand still: their range is from where the stillness began.
    joints: (r) => got(range(r.of(hips), nearest(r.m, r.rep.stillFromMs), r.of(end)), r.hit),
  },
  ...atMoments("pelvisTurn", MOMENTS, (at) => ({
    ...TURN,
    name: `Hip turn ${MOMENT[at].words}`,
    unit: "°",
    family: "posture",
    definition: `How far your hips have turned ${MOMENT[at].words} against still; plus = toward the target.`,
    waitsFor: [MOMENT[at].waitsFor],
    joints: (r) => {
      const ms = r.rep.events[MOMENT[at].event];
      return got(valueAt(r.m, r.of(hips), ms) - r.of(hips)[r.sample("address")]!, ms);
    },
  })),
  pelvisPeakTurnRate: {
    ...ORDER,
    name: "Fastest hip turn",
    unit: "°/s",
    definition: "Largest turning speed of your hips from the top to the strike.",
    joints: afterHit((r) => got(r.of(hipPeak).high, toMs(r.m, r.of(hipPeak).highAt))),
  },
  pelvisRateAtImpact: {
    ...ORDER,
    name: "Hip turn left at the strike",
    unit: "%",
    definition: "Turning speed of your hips at the strike as a share of its peak.",
    joints: afterHit((r) =>
      got((valueAt(r.m, r.of(hipRate), r.hit) / r.of(hipPeak).high) * 100, r.hit),
    ),
  },
  peakPelvisTurnAt: {
    ...ORDER,
    name: "Fastest hip turn, when",
    unit: "%",
    definition: "When the hips turn fastest, in % of the way down (0 = top, 100 = strike).",
    plain: { above: "Your hips turn late" },
    joints: afterHit((r) => {
      const at = toMs(r.m, r.of(hipPeak).highAt);
      const { top } = r.rep.events;
      return got(((at - top) / (r.hit - top)) * 100, at);
    }),
  },
  pelvisPeakBeforeThorax: {
    ...ORDER,
    name: "Hips peak before chest",
    unit: "ms",
    definition: "From the hips' fastest turn to the chest's, on the way down.",
    joints: afterHit((r) => {
      const at = r.of(hipPeak).highAt;
      return got((r.of(chestPeak).highAt - at) * r.m.dt * 1000, toMs(r.m, at));
    }),
  },
  thoraxPeakBeforeArms: {
    ...ORDER,
    name: "Chest peaks before arms",
    unit: "ms",
    definition: "From the chest's fastest turn to the arms', on the way down.",
    joints: afterHit((r) => {
      const at = r.of(chestPeak).highAt;
      return got((r.of(armPeakAt) - at) * r.m.dt * 1000, toMs(r.m, at));
    }),
  },
  thoraxBeforeHands: {
    ...ORDER,
    name: "Chest turns back before hands",
    unit: "ms",
    definition: "From the chest's turning back to the top.",
    waitsFor: ["halfwayDown"],
    joints: (r) => {
      const { top, halfwayDown } = r.rep.events;
      if (Number.isNaN(halfwayDown)) return unmeasured("eventNotFound");
      const rate = r.of(chestRate);
      let i = r.sample("halfwayDown");
      while (i > r.sample("address") && rate[i]! > 0) i--;
      return got(top - toMs(r.m, i), toMs(r.m, i));
    },
  },
} as const satisfies Record<string, Measure>;
