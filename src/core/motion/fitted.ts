/**
 * Fitted by tools/fit/fit.ts on rendered clips with truth; see docs/accuracy.md. Lengths as shares
 * of stature.
 */
export const MOTION_FIT = {
  /** How far the network's shoulder points lie in front of the line of the joints. */
  chestAhead: 0.0105,
  /**
   * How far the outline's row of the hips lies below the hip joints, as a share of its way to the
   * ankles.
   */
  hipsBelow: 0.08,
  /**
   * An outline wider at the hips than its usual width by more than this has an arm or the club
   * beside it.
   */
  hipsWidest: 1.02,
};
