import { valueAt } from "../../reps";
import {
  afterHit,
  DOWN_THE_LINE,
  EVERY_PART,
  FACE_ON,
  got,
  type Compute,
  type Measure,
  type RepMotion,
} from "../measure";
import { MEASURE_FIT } from "../fitted";
import { SIDES } from "../moments";
import { jointAngle } from "../jointAngle";
import { extremes } from "../spans";

const POSTURE = {
  family: "posture",
  views: FACE_ON,
  reads: EVERY_PART,
  spoiledBy: [],
  ofAnySwing: true,
  gate: null,
} as const satisfies Partial<Measure>;
const BEHIND = { ...POSTURE, views: DOWN_THE_LINE } as const;
const DEG = 180 / Math.PI;

/** Lean of mid-hip to mid-shoulder, degrees, + away from the target, less the camera's roll. */
const sideTilt = ({ m, rep }: RepMotion, ms: number): number =>
  Math.atan2(
    valueAt(m, m.hipT, ms) - valueAt(m, m.shoulderT, ms),
    valueAt(m, m.shoulderU, ms) - valueAt(m, m.hipU, ms),
  ) *
    DEG -
  rep.roll;

const sharpestElbow: Compute = (r) => {
  const [a, t] = [r.sample("address"), r.sample("top")];
  const least = SIDES.map((s) => {
    const { shoulder, elbow, wrist } = r.m.joints[s];
    return extremes(jointAngle(shoulder, elbow, wrist), a, t).low;
  });
  return got(Math.min(...least), r.rep.events.top);
};

/** Move of the rear edge of the body from address to a time, cm along D. */
const rearMoved = ({ m, rep }: RepMotion, ms: number) =>
  got(valueAt(m, m.rear, ms) - valueAt(m, m.rear, rep.events.address), ms);

export const posture = {
  sideTiltAddress: {
    ...POSTURE,
    name: "Side tilt, still",
    unit: "°",
    definition:
      "Lean of the line from mid-hip to mid-shoulder, + away from the target, while you stand still.",
    waitsFor: ["handStart"],
    reads: ["still"],
    channels: {
      swing: (r) => got(sideTilt(r, r.rep.events.address), r.rep.events.address),
    },
  },
  sideTiltTop: {
    ...POSTURE,
    name: "Side tilt, top",
    unit: "°",
    definition: "The same lean at the top.",
    waitsFor: ["top"],
    reads: ["top"],
    channels: { swing: (r) => got(sideTilt(r, r.rep.events.top), r.rep.events.top) },
  },
  sideTiltChange: {
    ...POSTURE,
    name: "Side tilt, still to top",
    unit: "°",
    definition: "Change of that lean from still to the top; minus = a reverse tilt.",
    waitsFor: ["top"],
    reads: ["still", "top"],
    plain: {
      below: "Your chest leans toward the target at the top",
      above: "Your chest leans away at the top",
    },
    channels: {
      swing: (r) => {
        const { address, top } = r.rep.events;
        return got(sideTilt(r, top) - sideTilt(r, address), top);
      },
    },
  },
  handHeightTop: {
    ...POSTURE,
    name: "Hands over shoulders, top",
    unit: "cm",
    definition: "Height of the middle of your hands over the middle of your shoulders at the top.",
    waitsFor: ["top"],
    channels: {
      swing: ({ m, rep: { events } }) =>
        got(valueAt(m, m.handsU, events.top) - valueAt(m, m.shoulderU, events.top), events.top),
    },
  },
  elbowAngleMinAddressToTop: {
    ...POSTURE,
    name: "Sharpest elbow on the way back",
    unit: "°",
    definition: "Smallest angle at either elbow from still to the top.",
    waitsFor: ["top"],
    joints: sharpestElbow,
  },
  hipsToBall: {
    ...BEHIND,
    name: "Hips toward the ball, strike",
    unit: "cm",
    definition:
      "Move of the rear edge of your body at hip height toward the ball from still to the strike; minus = deeper.",
    waitsFor: ["strike"],
    plain: { above: "Your hips go toward the ball" },
    gate: { kind: "rearEdge", at: "impact" },
    channels: {
      swing: afterHit((r) => {
        const { value, ...rest } = rearMoved(r, r.hit);
        return { ...rest, value: value - MEASURE_FIT.farButtock };
      }),
    },
  },
  hipsToBallTop: {
    ...BEHIND,
    name: "Hips toward the ball, top",
    unit: "cm",
    definition: "The same move from still to the top.",
    waitsFor: ["top"],
    plain: { above: "Your hips go toward the ball on the way back" },
    gate: { kind: "rearEdge", at: "top" },
    channels: { swing: (r) => rearMoved(r, r.rep.events.top) },
  },
  bendChange: {
    ...BEHIND,
    name: "Forward bend lost or won",
    unit: "°",
    definition: "Change of your forward bend from still to the strike; minus = you stood up.",
    waitsFor: ["strike"],
    plain: { below: "You stand up through the strike", above: "You duck through the strike" },
    channels: {
      swing: afterHit(({ m, rep, hit }) =>
        got(valueAt(m, m.bend, hit) - valueAt(m, m.bend, rep.events.address), hit),
      ),
    },
  },
} as const satisfies Record<string, Measure>;
