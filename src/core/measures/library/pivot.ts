import { largestTurn } from "../../motion";
import { nearest } from "../../reps";
import { EVERY_PART, FACE_ON, got, unmeasured, type Measure, type RepMotion } from "../measure";
import { capitalSide, ofSides, type MeasuredSide } from "../moments";

/** One turn of a foot about its heel and back. */
const PIVOT = {
  family: "feet",
  views: FACE_ON,
  reads: EVERY_PART,
  waitsFor: ["end"],
  spoiledBy: ["feet"],
  ofAnySwing: false,
  gate: null,
} as const satisfies Partial<Measure>;

/**
 * From where the foot stood before all turns: its place between them is known no better than the
 * turn.
 */
const footTurn = ({ m, rep }: RepMotion, side: MeasuredSide) =>
  got(
    largestTurn(m.direction[side], nearest(m, rep.fromMs), nearest(m, rep.toMs), m.dt, 0),
    rep.events.pivotPeak,
    "footNotSeen",
  );

const heelTravel = ({ m, rep }: RepMotion, side: MeasuredSide) => {
  const heel = m.feet[side].spells
    .flatMap((s) => Array.from(s.heel.times, (t, k) => ({ t, x: s.heel.t[k]! })))
    .filter((p) => p.t >= rep.fromMs && p.t <= rep.toMs && !Number.isNaN(p.x));
  return got(
    Math.max(0, ...heel.map((p) => Math.abs(p.x - heel[0]!.x))),
    rep.events.pivotPeak,
    "footNotSeen",
  );
};

export const pivot = {
  ...ofSides("FootTurn", (side) => ({
    ...PIVOT,
    name: `${capitalSide(side)} foot turn`,
    unit: "°",
    definition: `How far the ${side} foot turns about its heel, + toward the target.`,
    gate: { kind: "footTurn", foot: side },
    channels: {
      pivot: (r) => (r.rep.foot === side ? footTurn(r, side) : unmeasured("otherKind")),
    },
  })),
  ...ofSides("HeelTravel", (side) => ({
    ...PIVOT,
    name: `${capitalSide(side)} heel travels`,
    unit: "cm",
    definition: `Largest distance of the ${side} heel from its place.`,
    channels: {
      pivot: (r) => (r.rep.foot === side ? heelTravel(r, side) : unmeasured("otherKind")),
    },
  })),
  pivotTime: {
    ...PIVOT,
    name: "Turn and back",
    unit: "ms",
    family: "order",
    spoiledBy: [],
    ofAnySwing: true,
    definition: "From a tenth of the foot's turn to a tenth on the way back.",
    channels: {
      pivot: ({ rep: { events } }) => got(events.pivotBack - events.pivotStart, events.pivotBack),
    },
  },
} as const satisfies Record<string, Measure>;
