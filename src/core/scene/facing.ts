import { SCENE_FIT } from "./fitted";

/** Which way a golfer is seen to face. */
export interface Facing {
  /**
   * Degrees that the lens stands off the golfer's front, + when the lead foot is the nearer one
   * (the golfer then looks away from the target in the picture); ±90 is the side.
   */
  deg: number;
  /** Standard uncertainty of it near the front, degrees. */
  sd: number;
  /**
   * Sine of it as toes and nose show it, which goes a little beyond ±1; − = the golfer looks toward
   * the target's side.
   */
  sine: number;
}

/**
 * Reads the view from what points forward on a golfer at address: both feet (their mean, because
 * each turns out a little) and the nose before the ears. All are lengths toward the target in the
 * picture, as shares of stature.
 *
 * @param toes mean over both feet of the way from heel to toe
 * @param nose way from between the ears to the nose
 * @example facing(0.014, 0).deg // about 0: the lead foot is turned out by more than the trail one
 */
export function facing(toes: number, nose: number): Facing {
  const [byToes, byNose] = [
    SCENE_FIT.toesAtEase - toes / SCENE_FIT.footForward,
    -nose / SCENE_FIT.noseForward,
  ];
  const [a, b] = [1 / SCENE_FIT.toesSd ** 2, 1 / SCENE_FIT.noseSd ** 2];
  const sine = (a * byToes + b * byNose) / (a + b);
  return {
    deg: (Math.asin(Math.max(-1, Math.min(1, sine))) * 180) / Math.PI,
    sd: 1 / Math.sqrt(a + b),
    sine,
  };
}
