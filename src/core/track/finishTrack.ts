import { mendLegs } from "./mendLegs";
import type { Track } from "./track";

/** The track that walks on: legs mended (seen face-on). The stored original is never changed. */
export const finishTrack = (track: Track): Track => ({ ...track, landmarks: mendLegs(track, true).landmarks });
