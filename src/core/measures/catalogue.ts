/** What the program can measure: id → plain name, unit, definition. Every check of every drill names one of these. */
export interface MeasureInfo {
  name: string;
  unit: "cm" | "ms" | "%" | "ratio";
  family: "sway" | "weight" | "feet" | "order";
  /** Centimetre measures of the body scale with stature; those of shoes and props do not. */
  definition: string;
}

export const CATALOGUE = {
  pelvisSway: { name: "Hips away from the target", unit: "cm", family: "sway", definition: "Largest move of the middle of your hips away from the target, from still to the top. After a trail step it counts from that landing, against the middle of the feet as they then stand." },
  pelvisSlide: { name: "Hips toward the target", unit: "cm", family: "sway", definition: "Move of the middle of your hips toward the target, from the top to the strike." },
  headDrift: { name: "Head drift", unit: "cm", family: "sway", definition: "How far your head wanders along the target line, from still to the strike." },
  leadShareAddress: { name: "Lead share, still", unit: "%", family: "weight", definition: "Estimated share of your weight on the lead foot over the last 0.3 s of standing still." },
  leadShareTop: { name: "Lead share, top", unit: "%", family: "weight", definition: "Estimated share of your weight on the lead foot at the top." },
  leadShareImpact: { name: "Lead share, strike", unit: "%", family: "weight", definition: "Estimated share of your weight on the lead foot at the strike." },
  leadShareFinish: { name: "Lead share, finish", unit: "%", family: "weight", definition: "Estimated share of your weight on the lead foot at the finish." },
  trailSharePeak: { name: "Weight on the trail foot", unit: "%", family: "weight", definition: "Largest estimated share of your weight on the trail foot on the way back, while both feet are down." },
  recentreBeforeTop: { name: "Weight across before the top", unit: "ms", family: "weight", definition: "From the moment the weight crosses the middle toward the lead foot to the top; minus = after the top." },
  footGapAddress: { name: "Feet apart, still", unit: "cm", family: "feet", definition: "Distance between the ankles along the target line at address." },
  trailStepLength: { name: "Trail step", unit: "cm", family: "feet", definition: "How far the trail foot moves along the target line from leaving to landing; minus = away from the target." },
  leadStepLength: { name: "Lead step", unit: "cm", family: "feet", definition: "How far the lead foot moves along the target line from leaving to landing; plus = toward the target." },
  trailStepBeforeHands: { name: "Trail foot before hands", unit: "ms", family: "feet", definition: "From the trail foot leaving the ground to the hands starting; minus = the hands were first." },
  leadLandBeforeTop: { name: "Lead foot down before the top", unit: "ms", family: "feet", definition: "From the lead foot's landing to the top; minus = after the top." },
  leadLiftFromMidBack: { name: "Lead foot leaves, from halfway back", unit: "ms", family: "feet", definition: "From the lead arm being level on the way back to the lead foot leaving the ground." },
  backTime: { name: "Way back", unit: "ms", family: "order", definition: "From the hands starting to the top." },
  downTime: { name: "Way down", unit: "ms", family: "order", definition: "From the top to the strike." },
  tempoRatio: { name: "Back : down", unit: "ratio", family: "order", definition: "Way back over way down." },
} as const satisfies Record<string, MeasureInfo>;

export type MeasureId = keyof typeof CATALOGUE;
export const MEASURE_IDS = Object.keys(CATALOGUE) as MeasureId[];

/** A measure of one rep: NaN with a reason where it can't be had; `atMs` where in the rep it was taken. */
export interface RawMeasure {
  value: number;
  atMs?: number;
  why?: "eventNotFound" | "footNotSeen" | "noStep" | "neverLoaded";
}
