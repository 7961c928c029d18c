/** Fitted by tools/fit/fit.ts on rendered clips with truth; see docs/accuracy.md. Lengths as shares of stature. */
export const MOTION_FIT = {
  /** How far the network's shoulder points lie in front of the line of the joints. */
  chestAhead: 0.0105,
};
