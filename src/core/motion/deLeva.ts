/**
 * Segment masses (share of the body) and mass centres (share of the length from the proximal
 * joint), mean of women and men, after de Leva 1996 (J. Biomech. 29:1223), table 4. Hands and head
 * count at mid-hands and between the ears.
 */
export const SEGMENTS = {
  head: { mass: 0.0681, centre: 1 },
  trunk: { mass: 0.4302, centre: 0.4046 },
  upperArm: { mass: 0.0263, centre: 0.5763 },
  forearm: { mass: 0.015, centre: 0.4567 },
  hand: { mass: 0.0058, centre: 1 },
  thigh: { mass: 0.1447, centre: 0.3854 },
  shank: { mass: 0.0457, centre: 0.4374 },
  foot: { mass: 0.0133, centre: 0.4215 },
} as const;

/** Standard gravity, cm/s². */
export const STANDARD_GRAVITY = 980.665;
