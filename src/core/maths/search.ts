/**
 * First of `n` indices from which on something holds; `n` when it never does. It must not cease to
 * hold further on.
 *
 * @example firstWhere(times.length, (i) => times[i]! >= 1000)
 */
export function firstWhere(n: number, holds: (i: number) => boolean): number {
  let [low, high] = [0, n];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (holds(mid)) high = mid;
    else low = mid + 1;
  }
  return low;
}
