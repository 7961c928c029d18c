import type { RepSeries } from "@/core/analysis";
import { nearestFrame } from "@/core/track";

/** Seen before and after a rep's own part of its film, ms. */
const AROUND_MS = 400;

/**
 * First and last picture of a film that belong to a rep. @param times of the track's pictures, ms
 */
export const filmRange = (
  times: Float64Array,
  { t }: RepSeries,
): readonly [first: number, last: number] => [
  nearestFrame(times, t[0]! - AROUND_MS),
  nearestFrame(times, t.at(-1) + AROUND_MS),
];
