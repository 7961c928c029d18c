import { mendLegs } from "./mendLegs";
import type { Track } from "./track";

/** The track that walks on: legs mended where they can be told apart (seen face-on). The stored original is never changed. */
export const finishTrack = (track: Track, faceOn: boolean): Track => ({ ...track, landmarks: mendLegs(track, faceOn).landmarks });
