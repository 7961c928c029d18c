/** What stands still: the ground, the camera's place, the scale. */
export { CAMERA_PRIOR, type CameraFacts } from "./camera";
export { SCENE_FIT } from "./fitted";
export { during, pictureProblems, type Problem } from "./problems";
export { type GolferFacts, readScene, type Scene } from "./scene";
export type { View } from "./view";
