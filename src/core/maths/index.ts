/** Numbers only: statistics, fits, filters, seeded random numbers. */
export { curve, type Curve, type Knot } from "./curve";
export { bridge, derivative, filtfilt, lowPass, type LowPass, resample } from "./filter";
export { JerkSmoother } from "./jerkSmoother";
export { withId } from "./withId";
export { recordOf } from "./recordOf";
export { firstWhere } from "./search";
export { seeded, type Seeded } from "./seeded";
export { deviation, halfSampleMode, mean, median, quantile, runningMedian } from "./stats";
export { add, cross, dot, mix, norm, rotate, scale, sub, unit, type Vec3 } from "./vec3";
export { likeliestWay } from "./viterbi";
