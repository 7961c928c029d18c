import type { MovementScript } from "../script";
import { swing, type Changes, type SwingOptions } from "./swing";

/** A swing of loose arms without club or ball: back to chest height and through. */
export const armsOnly = (changes: Changes<SwingOptions> = {}): MovementScript => ({
  ...swing({
    club: null,
    ball: false,
    size: 0.72,
    down: 0.36,
    ...changes,
    traits: { kind: "gesture", ...changes.traits },
  }),
  handsApart: [[0, 14]],
});

/** The hips turn back and burst through; arms folded before the chest. */
export function hipsOnly(changes: Changes<SwingOptions> = {}): MovementScript {
  const full = swing({
    club: null,
    ball: false,
    down: 0.34,
    ...changes,
    traits: { kind: "gesture", hipsOnly: true, ...changes.traits },
  });
  const end = full.duration;
  return {
    ...full,
    armSwing: [[0, 0]],
    wristCock: [[0, 0]],
    reach: [[0, 0.52]],
    handsApart: [[0, 0]],
    thoraxTurn: full.thoraxTurn.map(([t, v]) => [t, v * 0.35] as const),
    forwardBend: [[0, 18]],
    duration: end,
  };
}

/** An underhand toss toward the target, ending in a step of the trail foot. */
export const toss = (changes: Changes<SwingOptions> = {}): MovementScript => ({
  ...swing({
    club: null,
    ball: false,
    size: 0.55,
    down: 0.34,
    gap: 34,
    trailStep: { length: 46, afterImpact: 0.45, air: 0.42 },
    share: { impact: 92, finish: 82 },
    ...changes,
    traits: { kind: "gesture", ...changes.traits },
  }),
  handsApart: [[0, 10]],
});
