import { valueAt } from "../../reps";
import type { Motion } from "../../motion";
import {
  DOWN_THE_LINE,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Measure,
  type RepMotion,
} from "../measure";
import { capitalSide, ofSides, SIDES, type MeasuredSide } from "../moments";
import { MEASURE_FIT } from "../fitted";
import { leftFrom, placeAt, stepOf } from "../steps";

/** Where the feet stand, and their steps: places along T, cm, and times against the hands, ms. */
const STEPS = {
  family: "feet",
  views: FACE_ON,
  reads: EVERY_PART,
  spoiledBy: ["feet"],
  ofAnySwing: false,
  gate: null,
} as const satisfies Partial<Measure>;

/** A shoulder's width, cm, for a golfer of 178 cm: the named place of a landing. */
const SHOULDER_WIDTH = 35;
/** A trail foot that walks through leaves within this of the strike, ms. */
const WALKS_THROUGH_MS = 1200;

/** Distance between the ankles along T, cm, + with the lead foot on the target's side. */
const anklesApart = (m: Motion, ms: number): number =>
  MEASURE_FIT.anklesApart * (placeAt(m, "lead", "ankleT", ms) - placeAt(m, "trail", "ankleT", ms));

const leadStep = ({ rep }: RepMotion) => stepOf(rep, "lead");
const trailStep = ({ rep }: RepMotion) => stepOf(rep, "trail");
const walkThrough = ({ rep }: RepMotion) => stepOf(rep, "trail", WALKS_THROUGH_MS);
const stepOfSide = (r: RepMotion, side: MeasuredSide) =>
  r.of(side === "lead" ? leadStep : walkThrough);

/** When a trail foot that walks through lands after the strike, ms; null where it does not. */
function landsAfterStrike(r: RepMotion): number | null {
  const landing = r.of(walkThrough)?.landing ?? NaN;
  return Number.isFinite(landing) && landing > r.rep.events.impact ? landing : null;
}

export const steps = {
  footGapAddress: {
    ...STEPS,
    name: "Feet apart, still",
    unit: "cm",
    definition: "Distance between the ankles along the target line at address.",
    waitsFor: ["handStart"],
    reads: ["still"],
    channels: {
      swing: ({ m, rep }) =>
        got(anklesApart(m, rep.events.address), rep.events.address, "footNotSeen"),
    },
  },
  footGapHipsAddress: {
    ...STEPS,
    name: "Feet apart in hip widths",
    unit: "ratio",
    definition: "The same distance over the width of your hips.",
    waitsFor: ["handStart"],
    reads: ["still"],
    channels: {
      swing: ({ m, rep }) => {
        const { address } = rep.events;
        const [lead, trail] = SIDES.map((s) => valueAt(m, m.joints[s].hip.t, address));
        return got(anklesApart(m, address) / (lead! - trail!), address, "footNotSeen");
      },
    },
  },
  footStagger: {
    ...STEPS,
    name: "Trail foot behind",
    unit: "cm",
    views: DOWN_THE_LINE,
    definition: "How far the lead ankle stands nearer the ball than the trail ankle, while still.",
    waitsFor: ["handStart"],
    channels: {
      swing: ({ m, rep }) => {
        const { address } = rep.events;
        const [lead, trail] = SIDES.map((s) => valueAt(m, m.joints[s].ankle.t, address));
        return got(lead! - trail!, address);
      },
    },
  },
  trailStepBeforeHands: {
    ...STEPS,
    name: "Trail foot before hands",
    unit: "ms",
    definition:
      "From the trail foot leaving the ground to the hands starting; minus = the hands were first.",
    waitsFor: ["handStart"],
    reads: ["trailOff", "start"],
    gate: { kind: "liftOff" },
    channels: {
      swing: (r) => {
        const step = r.of(trailStep);
        return step && step.liftOff < r.hit
          ? got(r.rep.events.handStart - step.liftOff, step.liftOff)
          : unmeasured("noStep");
      },
    },
  },
  leadLandBeforeTop: {
    ...STEPS,
    name: "Lead foot down before the top",
    unit: "ms",
    definition: "From the lead foot's landing to the top; minus = after the top.",
    waitsFor: ["leadLanding", "top"],
    reads: ["leadOn", "top"],
    gate: { kind: "landing" },
    channels: {
      swing: (r) => {
        const step = r.of(leadStep);
        return step && Number.isFinite(step.landing)
          ? got(r.rep.events.top - step.landing, step.landing)
          : unmeasured("noStep");
      },
    },
  },
  leadLiftFromMidBack: {
    ...STEPS,
    name: "Lead foot leaves, from halfway back",
    unit: "ms",
    definition:
      "From the lead arm being level on the way back to the lead foot leaving the ground.",
    waitsFor: ["top"],
    reads: ["leadOff", "back"],
    gate: { kind: "lateLiftOff" },
    channels: {
      swing: (r) => {
        const step = r.of(leadStep);
        return step ? got(step.liftOff - r.rep.events.midBack, step.liftOff) : unmeasured("noStep");
      },
    },
  },
  trailLandAfterImpact: {
    ...STEPS,
    name: "Trail foot down after the strike",
    unit: "ms",
    definition: "From the strike to the trail foot's landing.",
    waitsFor: ["strike", "trailLanding"],
    channels: {
      swing: (r) => {
        const landing = r.of(landsAfterStrike);
        return landing === null
          ? unmeasured("noStep")
          : got(landing - r.rep.events.impact, landing);
      },
    },
  },
  trailLandsPastLead: {
    ...STEPS,
    name: "Trail foot lands past the lead foot",
    unit: "cm",
    definition: "How far beyond the lead toe the trail toe lands along the target line.",
    waitsFor: ["trailLanding"],
    channels: {
      swing: (r) => {
        const landing = r.of(landsAfterStrike);
        if (landing === null) return unmeasured("noStep");
        const toe = (side: MeasuredSide) => placeAt(r.m, side, "toeT", landing);
        return got(toe("trail") - toe("lead"), landing, "footNotSeen");
      },
    },
  },
  ...ofSides("StepLength", (side) => ({
    ...STEPS,
    name: `${capitalSide(side)} step`,
    unit: "cm",
    definition: `How far the ${side} foot moves along the target line from leaving to landing; ${side === "lead" ? "plus = toward" : "minus = away from"} the target.`,
    waitsFor: [`${side}Landing`],
    reads: ["still", `${side}Off`, `${side}On`],
    gate: { kind: "step", foot: side },
    channels: {
      swing: (r) => {
        const step = stepOfSide(r, side);
        if (!step || !Number.isFinite(step.landing)) return unmeasured("noStep");
        const left = leftFrom(r.m, side, step.liftOff)?.ankleT ?? NaN;
        const landed = placeAt(r.m, side, "ankleT", step.landing);
        return got(landed - left, step.landing, "footNotSeen");
      },
    },
  })),
  ...ofSides("LandingOffset", (side) => ({
    ...STEPS,
    name: `${capitalSide(side)} landing off its mark`,
    unit: "cm",
    definition: `Feet apart after the ${side} foot's landing, against a shoulder's width (35 cm at 178 cm).`,
    waitsFor: [`${side}Landing`],
    channels: {
      swing: (r) => {
        const step = stepOfSide(r, side);
        if (!step || !Number.isFinite(step.landing)) return unmeasured("noStep");
        return got(
          Math.abs(anklesApart(r.m, step.landing)) - (SHOULDER_WIDTH * r.m.statureCm) / 178,
          step.landing,
          "footNotSeen",
        );
      },
    },
  })),
} as const satisfies Record<string, Measure>;
