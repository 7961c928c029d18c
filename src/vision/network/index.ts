/** The pose network: its inputs, its outputs, and the thread that it runs in. */
export { AGREED_PX, disagreement, lookMs } from "./agreement";
export { bodySquare, decodeDetections, type Found } from "./detector";
export { compileNetwork } from "./litert";
export { LookAhead } from "./lookAhead";
export { proposedSquare, readPoints } from "./points";
export { CROP_SIDE, DETECT_SIDE, type LandmarkOutput, type PoseNetwork } from "./poseNetwork";
export { networkIn, serveNetwork } from "./thread";
export { threadPlan, type ThreadPlan } from "./threadPlan";
