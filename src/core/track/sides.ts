import { POINT } from "./track";

/**
 * Which of the network's points are the golfer's lead and trail side: a right-hander leads with the
 * left.
 */
export type Hand = "left" | "right";
export type SideName = "lead" | "trail";

export interface SidePoints {
  ear: number;
  shoulder: number;
  elbow: number;
  wrist: number;
  index: number;
  hip: number;
  knee: number;
  ankle: number;
  heel: number;
  toe: number;
}

const LEFT: SidePoints = {
  ear: POINT.leftEar,
  shoulder: POINT.leftShoulder,
  elbow: POINT.leftElbow,
  wrist: POINT.leftWrist,
  index: POINT.leftIndex,
  hip: POINT.leftHip,
  knee: POINT.leftKnee,
  ankle: POINT.leftAnkle,
  heel: POINT.leftHeel,
  toe: POINT.leftToe,
};
const RIGHT: SidePoints = {
  ear: POINT.rightEar,
  shoulder: POINT.rightShoulder,
  elbow: POINT.rightElbow,
  wrist: POINT.rightWrist,
  index: POINT.rightIndex,
  hip: POINT.rightHip,
  knee: POINT.rightKnee,
  ankle: POINT.rightAnkle,
  heel: POINT.rightHeel,
  toe: POINT.rightToe,
};

export const sides = (hand: Hand): Record<SideName, SidePoints> =>
  hand === "right" ? { lead: LEFT, trail: RIGHT } : { lead: RIGHT, trail: LEFT };

/** Which of the subject's own feet is the lead or trail one: a right-hander leads with the left. */
export const ownFoot = (hand: Hand, side: SideName): "left" | "right" =>
  (hand === "right") === (side === "lead") ? "left" : "right";

/** Sign of the picture's x along T: face-on, a right-hander's target is to the right. */
export const targetSign = (hand: Hand): 1 | -1 => (hand === "right" ? 1 : -1);
