/** From a track to verdicts. */
export { analyse } from "./analyse";
export { openAnalysis, type OpenAnalysis } from "./openAnalysis";
export type { AnalyseOptions } from "./options";
export {
  ALGORITHM_VERSION,
  middleMs,
  type AnalysedRep,
  type Analysis,
  type RepSeries,
} from "./result";
export { type ClipQuestion, isDoubt, isSure, questionOf } from "./otherMovement";
export { SAMPLES } from "./copies";
export { eventRecords, eventTimes } from "./eventRecords";
