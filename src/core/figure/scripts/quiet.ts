import type { BodyCurves, FootScript, MovementScript } from "../script";
import { CLUB } from "../script";

/**
 * Where the feet stand: distance of the ankles along T and how far the trail foot is behind, cm.
 */
export interface ScriptedStance {
  gap: number;
  stagger: number;
}

export const STANCE: ScriptedStance = { gap: 40, stagger: 0 };

/** Two planted feet. */
export const planted = (stance: ScriptedStance): { lead: FootScript; trail: FootScript } => ({
  lead: {
    ankleT: stance.gap / 2,
    ankleD: stance.stagger / 2,
    turnOut: 20,
    steps: [],
    heelPitch: [],
  },
  trail: {
    ankleT: -stance.gap / 2,
    ankleD: -stance.stagger / 2,
    turnOut: 8,
    steps: [],
    heelPitch: [],
  },
});

/**
 * A body that stands at address and does nothing; scripts of other movements change what they move.
 */
export const atAddress = (): BodyCurves => ({
  armSwing: [[0, 0]],
  reach: [[0, 1]],
  wristCock: [[0, 0]],
  pelvisTurn: [[0, 0]],
  thoraxTurn: [[0, 0]],
  sideTilt: [[0, 3]],
  forwardBend: [[0, 32]],
  pelvisRise: [[0, 0]],
});

/** A body that stands upright with its arms hanging. */
export const upright = (): BodyCurves => ({
  ...atAddress(),
  sideTilt: [[0, 0]],
  forwardBend: [[0, 4]],
  pelvisRise: [[0, 3]],
});

/** Everything a script needs beside its own curves. */
export const script = (
  duration: number,
  stance: ScriptedStance,
  body: BodyCurves,
  rest: Partial<MovementScript> = {},
): MovementScript => ({
  duration,
  feet: planted(stance),
  ...body,
  leadShare: [[0, 50]],
  pushes: [],
  reps: [],
  club: CLUB.iron,
  clubAhead: [[0, 0]],
  ...rest,
});
