/**
 * The figure that shows a movement: its body, its postures, its truth. It shares nothing with the
 * estimator.
 */
export { body } from "./anthropometry";
export type { Pose } from "./pose";
export type { MovementScript } from "./script";
export { cycle, type CycleOptions } from "./scripts/cycle";
export { doubleStep, type DoubleStepOptions } from "./scripts/doubleStep";
export { armsOnly, hipsOnly, toss, windUp } from "./scripts/gesture";
export { hold } from "./scripts/hold";
export { pivot, type PivotOptions } from "./scripts/pivot";
export { merged, swing } from "./scripts/swing";
export { simulate, type Simulation, TRUTH_HZ } from "./simulate";
export { SCRIPTED_FOR, sized } from "./sized";
export { rearEdge } from "./surface";
export { feetAgainst } from "./truth/feet";
export { type Truth, truths } from "./truth/truth";
