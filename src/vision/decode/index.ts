/** Films opened and decoded; frames, and areas of them that are kept. */
export { CLIP_WORDS, ClipError, type ClipErrorCode } from "./clipError";
export { type Cutout, cutoutArea, cutoutBytes, memoryForWhole, wholeBytes } from "./cutout";
export { type Box, type Frame, type Plane, uprightPlane, uprightSize } from "./frame";
export { handled } from "./handled";
export { LARGEST_CLIP } from "./largestClip";
export { oneAhead } from "./oneAhead";
export { openClip, type OpenClip, type Picture, pictureOf } from "./openClip";
