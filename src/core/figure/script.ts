import type { Knot } from "../maths";

/** A foot that leaves the ground and lands elsewhere. Times in s, lengths in cm. */
export interface Step {
  /** The foot begins to rise / has fully settled. */
  from: number;
  to: number;
  /** Move along T, + toward the target, and along D, + toward the ball. */
  alongTarget: number;
  towardBall?: number;
  /** Turn of the foot about U on the way, degrees, + toward the target. */
  turn?: number;
  /** Highest rise of the sole. */
  apex: number;
  /** Time for which the foot is held at its highest, s. */
  hang?: number;
}

export interface FootScript {
  /** Place of the ankle at the start, T and D in cm from the middle of the stance. */
  ankleT: number;
  ankleD: number;
  /** Turned out from straight ahead, degrees. */
  turnOut: number;
  steps: Step[];
  /**
   * Heel raised about the ball of the foot, degrees of foot pitch; a start above 0 stands on a prop
   * or the toe.
   */
  heelPitch: Knot[];
  /** Toe raised about the heel, degrees. */
  toePitch?: Knot[];
  /** Turn of the planted foot about its heel, degrees, + outward. */
  pivot?: Knot[];
  /** Turn about the ball of the foot, degrees, + heel inward (toe outward). */
  spin?: Knot[];
  /** Drag of the whole planted foot along T, cm. */
  slide?: Knot[];
}

/** What a stretch of a script is; each kind has its own events (docs/movement.md, rep kinds). */
type RepKind = "swing" | "step-swing" | "cycle" | "pivot" | "hold" | "gesture";

/** Properties of a stage that decide how events are defined. */
export interface RepTraits {
  kind: RepKind;
  /** Impact is the lowest point of the hands. */
  clubAhead?: boolean;
  /** The start is not still. */
  movingStart?: boolean;
  /** Rehearsed slowly: the hands start at 5 cm/s. */
  slow?: boolean;
  /** Nothing but the hips moves: the top is the pelvis' turn-around. */
  hipsOnly?: boolean;
  /** A pivot's foot. */
  foot?: "lead" | "trail";
}

/** One rep within a script. */
export interface ScriptedRep extends RepTraits {
  /** Stretch of the script that belongs to it, s. */
  from: number;
  to: number;
  /** Moment the club meets the ball, s; absent when there is no ball. */
  strike?: number;
  /** Moment a prop under the foot falls over, s. */
  propDrop?: number;
}

/** Curves of the body, by name. Angles in degrees, lengths in cm. */
export interface BodyCurves {
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
  /** Lean of the head against the trunk, + away from the target. */
  neckLean?: Knot[];
  /** Turn of the whole body about U, + toward the target: for walking. */
  heading?: Knot[];
  /** Distance between the hands across the chest beyond that of a grip, cm. */
  handsApart?: Knot[];
  /** The leg's plane turned about hip and ankle, + knee toward the target. */
  leadKneeAside?: Knot[];
  trailKneeAside?: Knot[];
}

/**
 * A movement as curves over time (s). Where the pressure goes is scripted; where the body must then
 * be follows from the inverted pendulum (see balance.ts).
 */
export interface MovementScript extends BodyCurves {
  duration: number;
  feet: { lead: FootScript; trail: FootScript };
  /** Lead share, %, while both feet are down; a foot in the air leaves all to the other. */
  leadShare: Knot[];
  /** Pressure along the feet, 0 heel … 100 toe; the middle when left out. */
  pressureDepth?: Knot[];
  /**
   * Times of knots of `leadShare` that are to be set to the push with which a body that has stood
   * still until the knot before falls into what follows.
   */
  pushes: number[];
  reps: ScriptedRep[];
  /** Club in hand: its length as a share of stature, or none. */
  club: number | null;
  /** How far the club's head is held ahead of its usual place, toward the target, cm. */
  clubAhead: Knot[];
}

/** Club lengths as shares of a stature of 178 cm (iron 94 cm, driver 114 cm, wedge 89 cm). */
export const CLUB = { iron: 0.53, driver: 0.64, wedge: 0.5 } as const;

/** Names of the curves of a body, and of a foot. */
export const BODY_CURVES: readonly (keyof BodyCurves)[] = [
  "armSwing",
  "reach",
  "wristCock",
  "pelvisTurn",
  "thoraxTurn",
  "sideTilt",
  "forwardBend",
  "pelvisRise",
  "neckLean",
  "heading",
  "handsApart",
  "leadKneeAside",
  "trailKneeAside",
];
export const FOOT_CURVES = ["heelPitch", "toePitch", "pivot", "spin", "slide"] as const;
