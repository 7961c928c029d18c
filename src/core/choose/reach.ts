/** Which foot stands ahead of the other, toward the ball. */
export const STANCES = ["level", "trail ahead", "trail behind"] as const;
export type FootStance = (typeof STANCES)[number];

/**
 * Arms longer or shorter than the golfer is tall by more than this speak for a foot ahead, cm.
 */
export const REACH_CM = 3;

/**
 * The stance to try first: long arms with the trail foot ahead, short ones with it behind. Only a
 * guess; the three stances decide.
 *
 * @param armSpanCm fingertip to fingertip, arms spread
 * @example firstStance(186, 180) // "trail ahead"
 */
export function firstStance(armSpanCm: number, statureCm: number): FootStance {
  const longer = armSpanCm - statureCm;
  return longer > REACH_CM ? "trail ahead" : longer < -REACH_CM ? "trail behind" : "level";
}

/** A stance in words. */
export const STANCE_WORDS: Record<FootStance, string> = {
  level: "feet level",
  "trail ahead": "trail foot a hand ahead",
  "trail behind": "trail foot a hand behind",
};
