/** Weight of the newest value in a running mean. */
export const LATELY = 0.1;
