import { mendSides } from "./mendSides";
import type { Track } from "./track";
import { filled, onlyFrames, readFrames } from "./unread";

/**
 * A track that is ready for the scene: sides mended where they can be told apart (seen face-on).
 */
export interface FinishedTrack extends Track {
  /** Share of the frames read in which the network itself saw the shoulders from behind. */
  fromBehind: number;
}

/**
 * The stored original is never changed. Frames that the network has not looked at are filled from
 * those it has, once their sides are mended.
 */
export function finishTrack(track: Track, faceOn: boolean): FinishedTrack {
  if (track.read) {
    const frames = readFrames(track);
    const part = finishTrack(onlyFrames(track, frames), faceOn);
    return { ...track, ...filled(track, frames, part), fromBehind: part.fromBehind };
  }
  const { landmarks, fromBehind } = mendSides(track, faceOn);
  return { ...track, landmarks, fromBehind };
}
