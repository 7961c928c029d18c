/** Fitted by tools/fit/fit.ts on rendered clips with truth; see docs/accuracy.md. */
export const SCENE_FIT = {
  /** The network's ears over its heels at address, as a share of stature. */
  earsOverHeels: 0.82,
  /** Spread of that share between golfers, and so of the scale. */
  scaleSd: 0.017,
  /** Spread of the view error as the line of the heels tells it in a wide stance, degrees. */
  viewSd: 18,
  /**
   * A foot's length and the nose before the ears as they are seen from the side, shares of stature;
   * the sine that turned-out feet feign.
   */
  footForward: 0.146,
  noseForward: 0.0377,
  toesAtEase: 0.078,
  /** Spread of the view that the feet alone and the nose alone tell, degrees. */
  toesSd: 5.2,
  noseSd: 6.7,
};
