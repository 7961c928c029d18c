/** Squares of a picture at the network's size. */
export { boxOf, Resampler, type Square } from "./resample";
