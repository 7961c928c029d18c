/** Fitted by tools/fit/fit.ts on rendered clips with truth; see docs/accuracy.md. */
export const MEASURE_FIT = {
  /**
   * The network draws ankles nearer together than they are: the true distance as a share of what is
   * seen.
   */
  anklesApart: 1.05,
};
