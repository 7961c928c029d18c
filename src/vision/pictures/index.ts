/** Areas of pictures that are kept in memory while a film is read. */
export { CutoutStore } from "./cutoutStore";
export { handsNow, lumaOf, windowIn, windowOf } from "./cutoutWindows";
export { EarlyPictures } from "./earlyPictures";
export { feetArea, type FeetArea, feetBox } from "./feetArea";
