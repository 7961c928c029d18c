import type { Verdict } from "../judge";

/**
 * How many of some reps passed, and between which shares the golfer's own rate lies; reps that were
 * not judged are kept apart.
 */
export interface PassRate {
  judged: number;
  passed: number;
  notJudged: number;
  /** 0 to 1; null before the first judged rep. */
  rate: number | null;
  low: number;
  high: number;
}

/** For 95 %. */
const Z = 1.959964;

/**
 * Wilson's score interval of a share at 95 % (Wilson, JASA 22, 1927): wide for few, never outside 0
 * to 1; 0 to 1 for none.
 *
 * @example wilson(8, 10) // [0.49, 0.94]
 */
export function wilson(passed: number, of: number): readonly [low: number, high: number] {
  if (!of) return [0, 1];
  const [p, z] = [passed / of, Z ** 2 / of];
  const half = Z * Math.sqrt((p * (1 - p)) / of + z / (4 * of));
  return [(p + z / 2 - half) / (1 + z), (p + z / 2 + half) / (1 + z)];
}

/** The rate of so many passes, fails and reps that were not judged. */
export function rateFrom(passed: number, failed: number, notJudged: number): PassRate {
  const judged = passed + failed;
  const [low, high] = wilson(passed, judged);
  return { judged, passed, notJudged, rate: judged ? passed / judged : null, low, high };
}

export function passRate(results: readonly (Verdict["result"] | null)[]): PassRate {
  const count = (result: Verdict["result"]) => results.filter((r) => r === result).length;
  return rateFrom(count("pass"), count("fail"), count("not judged"));
}

/** What lies between two rates. */
export interface RateChange {
  /** The later less the earlier; with its 95 % interval. */
  by: number;
  low: number;
  high: number;
  /** The interval leaves no change out. */
  sure: boolean;
}

/**
 * The difference of two independent shares with its score interval (Newcombe, Statistics in
 * Medicine 17, 1998, method 10); null where one has no judged reps.
 */
export function rateChange(before: PassRate, after: PassRate): RateChange | null {
  if (before.rate === null || after.rate === null) return null;
  const by = after.rate - before.rate;
  const low = by - Math.hypot(after.rate - after.low, before.high - before.rate);
  const high = by + Math.hypot(after.high - after.rate, before.rate - before.low);
  return { by, low, high, sure: low > 0 || high < 0 };
}
