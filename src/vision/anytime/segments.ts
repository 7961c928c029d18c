import { firstWhere } from "../../core/maths";
import type { Track } from "../../core/track";
import { roughSpans } from "./plan";

/**
 * A segment lasts at least this long, and at most, ms: what it takes of memory is let go at its
 * end.
 */
const LEAST_MS = 4000;
const MOST_MS = 12_000;
/** A cut is made this long ago: a rep that has begun since will be seen by then. */
const TAIL_MS = 2500;

/**
 * Where a film that is too long for memory can be cut, between two reps: at a frame of what has
 * been read since the last cut, or nowhere yet (null). Where reps follow each other without a rest
 * it is cut all the same, at the latest time that is not in the middle of one.
 */
export function segmentEnd(track: Track, faceOn: boolean): number | null {
  const { times } = track;
  const last = times[times.length - 1]!;
  const lasts = last - times[0]!;
  if (lasts < LEAST_MS + TAIL_MS) return null;
  const reps = roughSpans(track, faceOn);
  const free = (t: number) => reps.every(([from, to]) => t < from || t > to);
  const frameAt = (t: number) => firstWhere(times.length, (i) => times[i]! >= t);
  const latest = last - TAIL_MS;
  if (free(latest)) return frameAt(latest);
  if (lasts < MOST_MS) return null;
  for (let t = latest; t > times[0]! + LEAST_MS; t -= 100) if (free(t)) return frameAt(t);
  return frameAt(latest);
}
