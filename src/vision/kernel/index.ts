/** The WebAssembly kernel that resamples and matches. */
export { Kernel } from "./kernel";
