/** The same rep of another reading has its middle nearer than this, ms. */
export const SAME_MS = 400;

/** Whether two readings' reps are the same one, by their middles on one clock, ms. */
export const sameRep = (a: number, b: number): boolean => Math.abs(a - b) < SAME_MS;
