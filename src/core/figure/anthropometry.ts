/**
 * Body of the simulated golfer: joint-to-joint lengths in cm as shares of stature (Drillis &
 * Contini 1966 as tabled by Winter 2009; trunk and hip width after de Leva 1996), and segment
 * masses and centres (de Leva 1996, tables 1 and 4).
 */
export interface Body {
  /** Height barefoot, cm. */
  stature: number;
  /** Girth factor of the drawn body, 1 = ordinary, 0.85 slim, 1.25 heavy. */
  build: number;
  sex: "female" | "male";
  shank: number;
  thigh: number;
  hipWidth: number;
  trunk: number;
  shoulderWidth: number;
  upperArm: number;
  forearm: number;
  /** Wrist to the middle of the grip. */
  hand: number;
  /** Mid-shoulder to the middle of the head between the ears. */
  neckToEars: number;
  headWidth: number;
  /** Heel point to toe point. */
  foot: number;
  ankleHeight: number;
  /** Heel point and toe point of a flat shoe above the ground. */
  soleHeight: number;
}

export function body(stature: number, sex: Body["sex"] = "male", build = 1): Body {
  if (!(stature >= 120 && stature <= 220))
    throw new RangeError(`stature must be 120 to 220 cm, got ${stature}`);
  const k = stature / 100;
  return {
    stature,
    build,
    sex,
    shank: 24.6 * k,
    thigh: 24.5 * k,
    hipWidth: (sex === "male" ? 10.5 : 10.9) * k,
    trunk: 28.8 * k,
    shoulderWidth: (sex === "male" ? 21.4 : 20.2) * k,
    upperArm: 15.8 * k,
    forearm: 14.9 * k,
    hand: 4.6 * k,
    neckToEars: 11.6 * k,
    headWidth: 8.6 * k,
    foot: 14.6 * k,
    ankleHeight: 4.6 * k,
    soleHeight: 2,
  };
}

/**
 * One segment's share of body mass and where its centre lies from its upper (proximal) end, as a
 * share of its length.
 */
export interface SegmentShare {
  mass: number;
  centre: number;
}

export type Segment =
  "head" | "trunk" | "upperArm" | "forearm" | "hand" | "thigh" | "shank" | "foot";

/**
 * de Leva 1996: shares of mass (table 4) and centres from the proximal end; trunk from mid-shoulder
 * to mid-hip.
 */
export const DE_LEVA: Record<Body["sex"], Record<Segment, SegmentShare>> = {
  male: {
    head: { mass: 0.0694, centre: 1 },
    trunk: { mass: 0.4346, centre: 0.431 },
    upperArm: { mass: 0.0271, centre: 0.5772 },
    forearm: { mass: 0.0162, centre: 0.4574 },
    hand: { mass: 0.0061, centre: 1 },
    thigh: { mass: 0.1416, centre: 0.4095 },
    shank: { mass: 0.0433, centre: 0.4395 },
    foot: { mass: 0.0137, centre: 0.4415 },
  },
  female: {
    head: { mass: 0.0668, centre: 1 },
    trunk: { mass: 0.4257, centre: 0.3782 },
    upperArm: { mass: 0.0255, centre: 0.5754 },
    forearm: { mass: 0.0138, centre: 0.4559 },
    hand: { mass: 0.0056, centre: 1 },
    thigh: { mass: 0.1478, centre: 0.3612 },
    shank: { mass: 0.0481, centre: 0.4352 },
    foot: { mass: 0.0129, centre: 0.4014 },
  },
};
