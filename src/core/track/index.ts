/** The network's points over time, with how far each can be trusted. */
export { statureInPx } from "./bodySize";
export { type FinishedTrack, finishTrack } from "./finishTrack";
export { midHands } from "./midHands";
export { nearestFrame } from "./nearestFrame";
export { type PlantedSpell, plantedSpells } from "./plantedSpells";
export { realTime } from "./realTime";
export { roughReps } from "./roughReps";
export { shiftTrack } from "./shiftTrack";
export { type Hand, ownFoot, type SideName, type SidePoints, sides, targetSign } from "./sides";
export { stillSpell } from "./stillSpell";
export {
  at,
  CHANNEL_WIDTHS,
  CHANNELS,
  edgeAt,
  EDGES,
  type FootPath,
  frameMs,
  type HandsPath,
  OUTLINE,
  POINT,
  POINTS,
  PRESENT,
  STRIDE,
  type Track,
} from "./track";
export { filled, halved, readFrames } from "./unread";
