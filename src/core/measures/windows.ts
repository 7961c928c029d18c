import type { MeasureId } from "./catalogue";

/** Parts of a rep in which a measure is made. */
const PARTS = [
  "still",
  "start",
  "back",
  "top",
  "down",
  "impact",
  "through",
  "finish",
  "trailOff",
  "trailOn",
  "leadOff",
  "leadOn",
] as const;
export type Part = (typeof PARTS)[number];

const OWN: Partial<Record<MeasureId, readonly Part[]>> = {
  pelvisSway: ["still", "back", "top", "trailOn"],
  pelvisSlide: ["top", "down", "impact"],
  headDrift: ["still", "back", "top", "down", "impact"],
  trailSharePeak: ["still", "back", "top", "trailOn", "leadOff"],
  trailSharePeakAt: ["still", "back", "top", "trailOn", "leadOff"],
  recentreBeforeTop: ["still", "back", "top", "down", "leadOn"],
  trailStepBeforeHands: ["trailOff", "start"],
  trailStepLength: ["still", "trailOff", "trailOn"],
  leadStepLength: ["still", "leadOff", "leadOn"],
  leadLandBeforeTop: ["leadOn", "top"],
  leadLiftFromMidBack: ["leadOff", "back"],
  footGapAddress: ["still"],
  footGapHipsAddress: ["still"],
  leadShareAddress: ["still"],
  leadShareTop: ["still", "top"],
  leadShareImpact: ["still", "down", "impact"],
  sideTiltAddress: ["still"],
  sideTiltTop: ["top"],
  sideTiltChange: ["still", "top"],
  backTime: ["start", "top"],
  downTime: ["top", "impact"],
  tempoRatio: ["start", "top", "impact"],
};

/** Which parts of a rep a measure stands on; all of them where nothing is known to be enough. */
export const partsOf = (id: MeasureId): readonly Part[] => OWN[id] ?? PARTS;
