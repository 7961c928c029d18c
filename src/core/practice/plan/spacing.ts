import type { School } from "../../drills";

/**
 * How a dose is spread over days: at most so often a week, and so many days from one to the next.
 * Spaced practice is kept better than massed practice (Cepeda et al., Psychological Bulletin 132,
 * 2006); how far apart is by hand: every other day for what is counted and judged, most days for
 * the short bouts of a habit.
 */
export const SPACING: Readonly<Record<School, { aWeek: number; apart: number }>> = {
  "home habit": { aWeek: 5, apart: 1 },
  "short sets": { aWeek: 3, apart: 2 },
  "counted sets": { aWeek: 3, apart: 2 },
  "single focus": { aWeek: 2, apart: 2 },
};

/** Drills of one week: few things at a time. By hand. */
export const DRILLS_A_WEEK = 4;
/**
 * Bouts of one day; drills that take turns are kept better than one alone (Shea and Morgan, 1979),
 * more than these are none of them. By hand.
 */
export const BOUTS_A_DAY = 3;
