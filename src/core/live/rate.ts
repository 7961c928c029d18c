/**
 * By looks of 8 Hz every one of 90 swings of the study is found, by 5 Hz 86 (docs/decisions/14).
 */
export const LOOKS_TO_FIND_REPS = 8;
