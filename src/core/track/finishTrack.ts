import { mendSides } from "./mendSides";
import type { Track } from "./track";

/** A track that is ready for the scene: sides mended where they can be told apart (seen face-on). */
export interface FinishedTrack extends Track {
  /** Share of the frames in which the network itself saw the shoulders from behind. */
  fromBehind: number;
}

/** The stored original is never changed. */
export function finishTrack(track: Track, faceOn: boolean): FinishedTrack {
  const { landmarks, fromBehind } = mendSides(track, faceOn);
  return { ...track, landmarks, fromBehind };
}
