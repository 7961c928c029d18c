/** All measures: one definition each, and how they are computed for a rep. */
export { CATALOGUE, MEASURE_IDS, type MeasureId } from "./catalogue";
export { type Awaited, type Family, type RepPart as Part, type RawMeasure } from "./measure";
export { copiedMeasures, measureAll } from "./measureAll";
export { SIDES } from "./moments";
export { stepOf } from "./steps";
