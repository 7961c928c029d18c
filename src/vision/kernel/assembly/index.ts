export { cut } from "./resample";
export { difference, fitSums } from "./match";
