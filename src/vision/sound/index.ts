/** Onsets in the sound. */
export { Ears } from "./ears";
export { type Onset, type SoundBlock, soundOnsets } from "./onsets";
