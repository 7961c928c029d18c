import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { valueAt } from "../reps/clock";
import { got, missing, SIDES, type Measures, type RawMeasure } from "./catalogue";
import { MEASURE_FIT } from "./fitted";
import { struck } from "./spans";
import { leftFrom, placeAt, stepOf, type StepTimes } from "./steps";
import type { SideName } from "../track/sides";

/** A shoulder's width, cm, for a golfer of 178 cm: the named place of a landing. */
const SHOULDER_WIDTH = 35;

/**
 * Feet: places along T (cm) and the times of their steps against hands, top and strike (ms).
 * Face-on.
 */
export function feetMeasures(m: Motion, rep: Rep): Measures {
  const { address, handStart, midBack, top, impact } = rep.events;
  const trail = stepOf(rep, "trail");
  const lead = stepOf(rep, "lead");
  const late = stepOf(rep, "trail", 1200);
  const gap = anklesApart(m, address);
  const hips = valueAt(m, m.joints.lead.hip.t, address) - valueAt(m, m.joints.trail.hip.t, address);
  const out: Measures = {
    footGapAddress: got(gap, address, "footNotSeen"),
    footGapHipsAddress: got(gap / hips, address, "footNotSeen"),
    trailStepBeforeHands:
      trail && trail.liftOff < struck(rep)
        ? got(handStart - trail.liftOff, trail.liftOff)
        : missing("noStep"),
    leadLandBeforeTop:
      lead && Number.isFinite(lead.landing)
        ? got(top - lead.landing, lead.landing)
        : missing("noStep"),
    leadLiftFromMidBack: lead ? got(lead.liftOff - midBack, lead.liftOff) : missing("noStep"),
    trailLandAfterImpact: missing("noStep"),
    trailLandsPastLead: missing("noStep"),
  };
  for (const foot of SIDES) {
    const step = foot === "lead" ? lead : late;
    out[`${foot}StepLength`] = length(m, foot, step);
    out[`${foot}LandingOffset`] = offset(m, foot, step);
  }
  if (late && Number.isFinite(late.landing) && late.landing > impact) {
    out.trailLandAfterImpact = got(late.landing - impact, late.landing);
    out.trailLandsPastLead = got(
      placeAt(m, "trail", "toeT", late.landing) - placeAt(m, "lead", "toeT", late.landing),
      late.landing,
      "footNotSeen",
    );
  }
  return out;
}

function length(m: Motion, foot: SideName, step: StepTimes | null): RawMeasure {
  if (!step || !Number.isFinite(step.landing)) return missing("noStep");
  return got(
    placeAt(m, foot, "ankleT", step.landing) - (leftFrom(m, foot, step.liftOff)?.ankleT ?? NaN),
    step.landing,
    "footNotSeen",
  );
}

/** Distance between the ankles along T, cm, + with the lead foot on the target's side. */
const anklesApart = (m: Motion, ms: number): number =>
  MEASURE_FIT.anklesApart * (placeAt(m, "lead", "ankleT", ms) - placeAt(m, "trail", "ankleT", ms));

function offset(m: Motion, foot: SideName, step: StepTimes | null): RawMeasure {
  if (!step || !Number.isFinite(step.landing)) return missing("noStep");
  return got(
    Math.abs(anklesApart(m, step.landing)) - (SHOULDER_WIDTH * m.statureCm) / 178,
    step.landing,
    "footNotSeen",
  );
}
