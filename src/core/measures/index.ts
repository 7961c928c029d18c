/** What other rooms use of the measures. */
export { CATALOGUE, MEASURE_IDS, type MeasureId } from "./catalogue";
export { type Awaited, type Family, type RepPart as Part, type RawMeasure } from "./measure";
export { copiedMeasures, measureAll } from "./measureAll";
