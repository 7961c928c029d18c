import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import type { RawMeasure } from "./catalogue";
import { placeAt, stepOf, type StepTimes } from "./steps";
import type { SideName } from "../track/sides";

type FeetId = "footGapAddress" | "trailStepLength" | "leadStepLength" | "trailStepBeforeHands" | "leadLandBeforeTop" | "leadLiftFromMidBack";

/** Feet: places along T (cm) and the times of their steps against hands and top (ms). */
export function feetMeasures(m: Motion, rep: Rep): Record<FeetId, RawMeasure> {
  const { address, handStart, midBack, top } = rep.events;
  const trail = stepOf(rep, "trail");
  const lead = stepOf(rep, "lead");
  const gap = placeAt(m, "lead", "ankleT", address) - placeAt(m, "trail", "ankleT", address);
  const none: RawMeasure = { value: NaN, why: "noStep" };
  return {
    footGapAddress: Number.isNaN(gap) ? { value: NaN, why: "footNotSeen" } : { value: gap, atMs: address },
    trailStepLength: length(m, "trail", trail, address),
    leadStepLength: length(m, "lead", lead, address),
    trailStepBeforeHands: trail ? { value: handStart - trail.liftOff, atMs: trail.liftOff } : none,
    leadLandBeforeTop: lead && Number.isFinite(lead.landing) ? { value: top - lead.landing, atMs: lead.landing } : none,
    leadLiftFromMidBack: lead ? { value: lead.liftOff - midBack, atMs: lead.liftOff, ...(Number.isNaN(midBack) ? { why: "eventNotFound" as const } : {}) } : none,
  };
}

function length(m: Motion, foot: SideName, step: StepTimes | null, address: number): RawMeasure {
  if (!step || !Number.isFinite(step.landing)) return { value: NaN, why: "noStep" };
  return { value: placeAt(m, foot, "ankleT", step.landing) - placeAt(m, foot, "ankleT", address), atMs: step.landing };
}
