/**
 * Errors of the motion's channels against exact truth, fitted by tools/fit/fit.ts on rendered
 * clips; see docs/accuracy.md. cm and ms, one standard deviation; correlated errors are zero at the
 * still address and drift from it.
 */
export const NOISE_FIT = {
  hip: 0.6,
  head: 0.6,
  shoulder: 1.3,
  com: 0.5,
  hands: 3.2,
  /** Mid-hands while the golfer stands still, before 10 Hz smoothing takes effect. */
  handsStill: 0.12,
  /** Place of a foot against the other, and of one foot's step where it was followed. */
  footPlace: 0.9,
  footStep: 0.25,
  /** Times. */
  footEventMs: 8,
  topMs: 8,
};

/** Correlation times of those errors, s (two processes, variance 1 : 3; docs/decisions/26). */
export const NOISE_TIMES = [0.12, 0.35] as const;
export const NOISE_SPLIT = [0.25, 0.75] as const;
