/** Fitted by tools/fit/fit.ts on rendered clips with truth; see docs/accuracy.md. */
export const SCENE_FIT = {
  /** The network's ears over its heels at address, as a share of stature. */
  earsOverHeels: 0.82,
  /** Spread of that share between golfers, and so of the scale. */
  scaleSd: 0.017,
  /** Spread of the view error as the line of the heels tells it in a wide stance, degrees. */
  viewSd: 18,
};
