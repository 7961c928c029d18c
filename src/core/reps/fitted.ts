/**
 * Fitted by tools/fit/fit.ts on rendered clips with truth; see docs/accuracy.md. Shares of stature.
 */
export const LEVEL_FIT = {
  /**
   * How far below mid-shoulder the hands are when the lead arm is level, going back and coming
   * down; the trail arm after the strike.
   */
  back: 0.046,
  down: 0.0245,
  through: 0.03,
};

/** Steady differences of found events from the truth, ms: what is added to the time found. */
export const EVENT_FIT = {
  finishLateMs: 70,
  addressLateMs: 30,
  topLateMs: 4,
  /**
   * An impact is seen a little early; spread of one seen where the hands pass their address place,
   * and of one seen as their lowest place (which the strike itself may miss by more).
   */
  passesLateMs: 3.5,
  lowestLateMs: 6.5,
  passesSd: 4,
  lowestSd: 15,
};

/**
 * White jerk of the pressure's smoother in a to-and-fro, cm/s³/√Hz: the one under which its turns
 * come out nearest to the true ones.
 */
export const PRESSURE_FIT = { cycleJerk: 12 };
