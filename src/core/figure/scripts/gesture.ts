import type { Knot } from "../../maths";
import type { MovementScript } from "../script";
import { merged, ORDINARY_SWING, swing, type Changes, type SwingOptions } from "./swing";

/** Only the way back: to the top, a while there, and slowly back to the start. */
export function windUp(changes: Changes<SwingOptions> = {}): MovementScript {
  const whole = swing({
    club: null,
    ball: false,
    ...changes,
    traits: { kind: "gesture", ...changes.traits },
  });
  const o = merged(ORDINARY_SWING, changes);
  const top = o.still + 0.25 + o.back;
  const [leaves, arrives] = [top + 0.4, top + 1.5];
  // Everything goes back the way it came.
  const home = (knots: readonly Knot[]): Knot[] => {
    const back = knots.filter(([t]) => t <= top + 0.021);
    const [first, last] = [back[0]![1], back[back.length - 1]!];
    const from = Math.max(leaves, last[0] + 0.1);
    return [...back.map(([t, v]): Knot => [t, v]), [from, last[1]], [arrives, first]];
  };
  const still = (knots: readonly Knot[]): Knot[] => [[0, knots[0]?.[1] ?? 0]];
  const curves = {
    armSwing: home(whole.armSwing),
    reach: home(whole.reach),
    wristCock: home(whole.wristCock),
    pelvisTurn: home(whole.pelvisTurn),
    thoraxTurn: home(whole.thoraxTurn),
    sideTilt: home(whole.sideTilt),
    neckLean: home(whole.neckLean!),
    forwardBend: home(whole.forwardBend),
    pelvisRise: home(whole.pelvisRise),
    leadKneeAside: home(whole.leadKneeAside!),
    trailKneeAside: home(whole.trailKneeAside!),
    leadShare: home(whole.leadShare),
    pressureDepth: home(whole.pressureDepth!),
  };
  const { lead, trail } = whole.feet;
  const planted = {
    lead: { ...lead, slide: [] },
    trail: { ...trail, slide: [], spin: [], heelPitch: still(trail.heelPitch) },
  };
  const duration = arrives + o.hold;
  return {
    ...whole,
    ...curves,
    feet: planted,
    duration,
    reps: [{ ...whole.reps[0]!, from: 0, to: duration }],
  };
}

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
