import { toMs, valueAt } from "../../reps";
import { jointAngle } from "../jointAngle";
import {
  afterHit,
  BOTH_VIEWS,
  DOWN_THE_LINE,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Measure,
  type RepMotion,
} from "../measure";
import {
  atMoments,
  capitalSide,
  MOMENT,
  MOMENTS,
  ofSidesAtMoments,
  ofSidesOverSpans,
  overSpan,
  SPAN,
  type MeasuredSide,
} from "../moments";
import { extremes, range } from "../spans";
import { placeAt } from "../steps";

const DEG = 180 / Math.PI;

/** Single joints, worth 2 to 3 cm. */
const LEGS = {
  family: "legs",
  views: FACE_ON,
  reads: EVERY_PART,
  spoiledBy: [],
  ofAnySwing: true,
  gate: null,
} as const satisfies Partial<Measure>;

const kneeAngle: Record<MeasuredSide, (r: RepMotion) => Float64Array> = {
  lead: ({ m: { joints } }) => jointAngle(joints.lead.hip, joints.lead.knee, joints.lead.ankle),
  trail: ({ m: { joints } }) => jointAngle(joints.trail.hip, joints.trail.knee, joints.trail.ankle),
};

/** The trail knee's place against its ankle's at address, from still to the top, cm along T. */
const trailKnee = (r: RepMotion) => {
  const { m, rep } = r;
  const ankle = placeAt(m, "trail", "ankleT", rep.events.address);
  return extremes(
    m.joints.trail.knee.t.map((v) => v - ankle),
    r.sample("address"),
    r.sample("top"),
  );
};

/** Distance between the knees along T, cm. */
const kneeGap = ({ m }: RepMotion): Float64Array =>
  m.joints.lead.knee.t.map((v, i) => v - m.joints.trail.knee.t[i]!);
const ankleGap = ({ m, rep: { events } }: RepMotion): number =>
  placeAt(m, "lead", "ankleT", events.address) - placeAt(m, "trail", "ankleT", events.address);

/** How far the network's toe wanders while it stands, cm. */
const TOE_NOISE = 1.5;
/** A toe that moves by more than this did not stand, cm. */
const STANDS = 2;

const trailFootRoll = (r: RepMotion) => {
  if (Number.isNaN(r.rep.events.halfwayDown)) return unmeasured("eventNotFound");
  const { knee, toe } = r.m.joints.trail;
  const [half, h] = [r.sample("halfwayDown"), r.sample("hit")];
  const roll = (i: number) => knee.t[i]! - toe.t[i]!;
  return range(toe.t, half, h) > STANDS + TOE_NOISE
    ? unmeasured("footMoved")
    : got(roll(h) - roll(half), r.hit);
};

export const legs = {
  trailKneeTowardBall: {
    ...LEGS,
    name: "Trail knee toward the ball",
    unit: "cm",
    views: DOWN_THE_LINE,
    definition: "Largest move of the trail knee toward the ball from the top to the strike.",
    waitsFor: ["strike"],
    channels: {
      swing: afterHit((r) => {
        const knee = r.m.joints.trail.knee.t;
        const { high, highAt } = extremes(knee, r.sample("top"), r.sample("hit"));
        return got(high - valueAt(r.m, knee, r.rep.events.top), toMs(r.m, highAt));
      }),
    },
  },
  trailKneeOut: {
    ...LEGS,
    name: "Trail knee outside the foot",
    unit: "cm",
    definition:
      "Largest distance of the trail knee outside its ankle along the target line, from still to the top.",
    waitsFor: ["top"],
    plain: { above: "Your trail knee kicks out" },
    joints: (r) => got(-r.of(trailKnee).low, toMs(r.m, r.of(trailKnee).lowAt)),
  },
  trailKneeIn: {
    ...LEGS,
    name: "Trail knee inside the foot",
    unit: "cm",
    definition:
      "Largest distance of the trail knee inside its ankle along the target line, from still to the top.",
    waitsFor: ["top"],
    joints: (r) => got(r.of(trailKnee).high, toMs(r.m, r.of(trailKnee).highAt)),
  },
  kneeGapDown: {
    ...LEGS,
    name: "Knees closest on the way down",
    unit: "ratio",
    definition:
      "Smallest distance between the knees over that between the ankles, from the top to the strike.",
    waitsFor: ["strike"],
    joints: afterHit((r) =>
      got(extremes(r.of(kneeGap), r.sample("top"), r.sample("hit")).low / r.of(ankleGap), r.hit),
    ),
  },
  kneeGapAddressToImpact: {
    ...LEGS,
    name: "Knees widest",
    unit: "ratio",
    definition:
      "Largest distance between the knees over that between the ankles, from still to the strike.",
    waitsFor: ["strike"],
    joints: afterHit((r) =>
      got(
        extremes(r.of(kneeGap), r.sample("address"), r.sample("hit")).high / r.of(ankleGap),
        r.hit,
      ),
    ),
  },
  kneePart: {
    ...LEGS,
    name: "Knees part",
    unit: "cm",
    definition:
      "Largest growth of the distance between the knees along the target line since still, until the strike.",
    waitsFor: ["strike"],
    joints: afterHit((r) =>
      got(
        extremes(r.of(kneeGap), r.sample("address"), r.sample("hit")).high -
          valueAt(r.m, r.of(kneeGap), r.rep.events.address),
        r.hit,
      ),
    ),
  },
  trailFootRoll: {
    ...LEGS,
    name: "Trail foot rolls in",
    unit: "cm",
    family: "feet",
    spoiledBy: ["feet"],
    definition:
      "Move of the trail knee toward the target against the trail toe, from halfway down to the strike.",
    waitsFor: ["strike"],
    joints: afterHit(trailFootRoll),
  },
  ...atMoments("leadLegStack", MOMENTS, (at) => ({
    ...LEGS,
    name: `Lead hip over lead foot, ${MOMENT[at].words}`,
    unit: "cm",
    definition: `How far the lead hip is nearer the target than the lead ankle ${MOMENT[at].words}. One hip alone is uncertain by 2 to 3 cm.`,
    waitsFor: [MOMENT[at].waitsFor],
    joints: ({ m, rep }) => {
      const ms = rep.events[MOMENT[at].event];
      return got(valueAt(m, m.joints.lead.hip.t, ms) - placeAt(m, "lead", "ankleT", ms), ms);
    },
  })),
  ...ofSidesAtMoments("ShinLean", ["Address", "Top", "Impact"], (side, at) => ({
    ...LEGS,
    name: `${capitalSide(side)} shin lean, ${MOMENT[at].words}`,
    unit: "°",
    definition: `Lean of the ${side} shin from upright ${MOMENT[at].words}; plus = knee nearer the target.`,
    waitsFor: [MOMENT[at].waitsFor],
    joints: ({ m, rep }) => {
      const ms = rep.events[MOMENT[at].event];
      const { knee, ankle } = m.joints[side];
      return got(
        Math.atan2(
          valueAt(m, knee.t, ms) - placeAt(m, side, "ankleT", ms),
          valueAt(m, knee.u, ms) - valueAt(m, ankle.u, ms),
        ) * DEG,
        ms,
      );
    },
  })),
  ...ofSidesOverSpans("KneeAngleChange", (side, span) => ({
    ...LEGS,
    name: `${capitalSide(side)} knee bends, ${SPAN[span].words}`,
    unit: "°",
    views: BOTH_VIEWS,
    definition: `Change of the ${side} knee's angle ${SPAN[span].words}; minus = more bent.`,
    waitsFor: [SPAN[span].waitsFor],
    joints: overSpan(span, (r, from, to) => {
      const angle = r.of(kneeAngle[side]);
      return got(angle[to]! - angle[from]!, toMs(r.m, to));
    }),
  })),
  ...ofSidesOverSpans("KneeTravel", (side, span) => ({
    ...LEGS,
    name: `${capitalSide(side)} knee moves, ${SPAN[span].words}`,
    unit: "cm",
    definition: `How far the ${side} knee moves along the target line ${SPAN[span].words}.`,
    waitsFor: [SPAN[span].waitsFor],
    joints: overSpan(span, ({ m }, from, to) =>
      got(range(m.joints[side].knee.t, from, to), toMs(m, to)),
    ),
  })),
} as const satisfies Record<string, Measure>;
