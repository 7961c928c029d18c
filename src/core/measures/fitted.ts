/** Fitted by tools/fit/fit.ts on rendered clips with truth; see docs/accuracy.md. */
export const MEASURE_FIT = {
  /**
   * The network draws ankles nearer together than they are: the true distance as a share of what is
   * seen.
   */
  anklesApart: 1.05,
  /**
   * Seen from behind, the rear edge of hips that have opened is the far buttock's: it stands nearer
   * to the middle of the picture by so much than it would where the near one stood, cm.
   */
  farButtock: 2.76,
};
