/** How far each measure can be trusted, and which can not be measured from this view. */
export { type ErrorTable, eventError, FITTED, footEventError, type Sort } from "./errors";
export { type CopiesPart, perturbed } from "./perturb";
export { type ErrorSources, reportEvent, reportMeasure, type Timed, WHY } from "./report";
export { joined, sample, type Sampled, spread, zeroErrorSpell } from "./sample";
export { SAME_REP_MS, unreadOf } from "./unreadYet";
