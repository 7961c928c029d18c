/**
 * A shoe from above: half an ellipse for the toe, and behind its ankle a heel; lengths as shares of
 * stature.
 */
export interface Shoe {
  /** Middle of the toe's ellipse before the ankle, its half length and half width. */
  toe: number;
  toeLength: number;
  toeWidth: number;
  /** The heel's end behind the ankle. */
  heel: number;
  /** How far the network sees the ankle toward the other foot. */
  ankleInward: number;
}

/** Fitted by tools/fit/shoe.ts on rendered clips with truth. */
export const SHOE_FIT: Shoe = {
  toe: 0.0655,
  toeLength: 0.054,
  toeWidth: 0.028,
  heel: 0.0474,
  ankleInward: 0.0095,
};

/**
 * Left and right edge of a shoe's picture from the network's ankle, shares of stature.
 *
 * @param angle of the toe, radians, 0 toward the lens, + to the right of the picture
 * @param inward where the other foot is: 1 to the right, −1 to the left
 * @param outward how much farther out the toe is seen for being nearer to the lens, where it points
 * at it, share of stature
 * @example shoeEdges(SHOE_FIT, Math.PI / 2, 1) // heel on the left, toe on the right
 */
export function shoeEdges(
  s: Shoe,
  angle: number,
  inward: 1 | -1,
  outward = 0,
): [left: number, right: number] {
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const ankle = -inward * s.ankleInward;
  const toe = s.toe * sin + outward * cos;
  const round = Math.hypot(s.toeLength * sin, s.toeWidth * cos);
  const heel = -s.heel * sin;
  return [ankle + Math.min(toe - round, heel), ankle + Math.max(toe + round, heel)];
}

/**
 * How far the shoe's picture reaches toward the lens from a heel that stays where it is, share of
 * stature; angle as in `shoeEdges`.
 */
export function shoeDepth(s: Shoe, angle: number): number {
  const cos = Math.cos(angle);
  return (s.toe + s.heel) * cos + Math.hypot(s.toeLength * cos, s.toeWidth * Math.sin(angle));
}
