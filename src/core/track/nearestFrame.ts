/** The number of the picture that is nearest to a time. @param times of all pictures, ms, rising */
export function nearestFrame(times: ArrayLike<number>, ms: number): number {
  let lo = 0;
  let hi = times.length - 1;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (times[mid]! < ms) lo = mid + 1;
    else hi = mid;
  }
  return lo > 0 && ms - times[lo - 1]! < times[lo]! - ms ? lo - 1 : lo;
}
