/** Somebody of middle height, until the golfer has said who they are. */
export const ANYBODY = { statureCm: 178, hand: "right", units: "cm" } as const;
