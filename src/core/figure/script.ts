import type { Knot } from "../maths/curve";

/** A foot that leaves the ground and lands elsewhere. Times in s, lengths in cm. */
export interface Step {
  /** The foot begins to rise / has fully settled. */
  from: number;
  to: number;
  /** Move along T, + toward the target. */
  alongTarget: number;
  /** Highest rise of the sole. */
  apex: number;
}

export interface FootScript {
  /** Place of the ankle at address, T and D in cm from the middle of the stance. */
  ankleT: number;
  ankleD: number;
  /** Turned out from straight ahead, degrees. */
  turnOut: number;
  steps: Step[];
  /** Heel raised about the toe, degrees of foot pitch. */
  heelPitch: Knot[];
}

/**
 * One rep as curves over time (s). Angles in degrees, lengths in cm, share in % on the lead foot. Where the pressure
 * goes is scripted; where the body must then be follows from the inverted pendulum (see balance.ts).
 */
export interface MovementScript {
  duration: number;
  feet: { lead: FootScript; trail: FootScript };
  /** Lead share while both feet are down; a foot in the air leaves all to the other. */
  leadShare: Knot[];
  /** The body stands still until the share's first knot; the second knot is then set to the push that this takes. */
  stillStart: boolean;
  /** Arm swing about mid-shoulder: 0 hanging, + away from the target. */
  armSwing: Knot[];
  /** Folding of both arms: 1 = the leading arm straight. */
  reach: Knot[];
  /** Wrist cock, degrees the club leads the arms by in the swing's plane. */
  wristCock: Knot[];
  /** Turn about U from square, + toward the target. */
  pelvisTurn: Knot[];
  thoraxTurn: Knot[];
  /** Lean of mid-hip to mid-shoulder, + away from the target. */
  sideTilt: Knot[];
  forwardBend: Knot[];
  /** Height of mid-hip against address. */
  pelvisRise: Knot[];
  /** Moment the club meets the ball, s; absent when there is no ball. */
  strike?: number;
  /** Club's head held this far ahead (toward the target) of mid-stance at address, cm. */
  clubAhead: number;
}
