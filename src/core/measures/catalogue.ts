import { all } from "./library/all";
import type { Measure, RawMeasure } from "./measure";

export type MeasureId = keyof typeof all;

/** What the program can measure. Every check of every drill names one of these. */
export const CATALOGUE: Readonly<Record<MeasureId, Measure>> = all;
export const MEASURE_IDS = Object.keys(all) as MeasureId[];

/** What was found in a rep; measures that are left out do not belong to it. */
export type Measures = Partial<Record<MeasureId, RawMeasure>>;
