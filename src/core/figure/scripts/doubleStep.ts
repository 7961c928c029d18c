import type { Knot } from "../../maths";
import { CLUB, type MovementScript } from "../script";
import { fullSwing, ORDINARY_SWING } from "./swing";

/** What can be varied in a double step: the good rep's own values, and the ways it goes wrong. */
export interface DoubleStepOptions {
  /** Still time before anything moves, s. */
  still: number;
  /** Hands start to top, and top to strike, s. */
  back: number;
  down: number;
  /** Trail foot's rise begins this long before the hands start, s (negative = after). */
  trailFirst: number;
  trailAir: number;
  trailStep: number;
  /** The lead foot's landing ends this long before the top, s (negative = after). */
  leadBeforeTop: number;
  leadAir: number;
  leadStep: number;
  /** Lead share, %, just before the trail foot leaves and just after it lands. */
  sentShare: number;
  /** Lead share, %, that the weight reaches on its way back with both feet down. */
  loadedShare: number;
  /**
   * Lean away from the target at the top, degrees; a negative one pushes the hips out past the
   * foot.
   */
  tiltTop: number;
  /** Distance of the ankles at address, cm. */
  gap: number;
  /** Scales of arm swing and turns. */
  size: number;
}

const GOOD_DOUBLE_STEP: DoubleStepOptions = {
  still: 0.8,
  back: 1.0,
  down: 0.31,
  trailFirst: 0.17,
  trailAir: 0.3,
  trailStep: -9,
  leadBeforeTop: 0.05,
  leadAir: 0.3,
  leadStep: 11,
  sentShare: 84,
  loadedShare: 12,
  tiltTop: 3,
  gap: 22,
  size: 1,
};

/**
 * The double step: trail foot steps away, then the hands start; the lead foot steps toward the
 * target before they come back down.
 */
export function doubleStep(options: Partial<DoubleStepOptions> = {}): MovementScript {
  const o = { ...GOOD_DOUBLE_STEP, ...options };
  const trailFrom = o.still + 0.35 + Math.max(0, -o.trailFirst) * 0.2;
  const trailTo = trailFrom + o.trailAir;
  const handStart = trailFrom + o.trailFirst;
  const top = handStart + o.back;
  const impact = top + o.down;
  const finish = impact + 0.75;
  const leadTo = top - o.leadBeforeTop;
  const leadFrom = leadTo - o.leadAir;
  const z = o.size;
  const share: Knot[] = [
    // A body at rest first pushes off the foot that is to leave, then falls toward the other.
    [trailFrom - 0.42, 50],
    [trailFrom - 0.24, 40],
    [trailFrom - 0.05, o.sentShare],
    [trailTo, o.sentShare - 8],
    [Math.max(trailTo + 0.12, leadFrom - 0.12), o.loadedShare],
    [leadFrom + 0.05, o.loadedShare],
    [leadTo - 0.05, Math.max(34, Math.min(o.loadedShare, 60))],
    [leadTo + 0.08, 62],
    [impact, 78],
    [finish - 0.15, 90],
  ];
  const swingFrom = handStart - 0.03;
  return {
    duration: finish + 0.9,
    feet: {
      lead: {
        ankleT: o.gap / 2,
        ankleD: 0,
        turnOut: 20,
        heelPitch: [],
        steps: [{ from: leadFrom, to: leadTo, alongTarget: o.leadStep, apex: 6 }],
      },
      trail: {
        ankleT: -o.gap / 2,
        ankleD: 0,
        turnOut: 8,
        steps: [{ from: trailFrom, to: trailTo, alongTarget: o.trailStep, apex: 6.5 }],
        heelPitch: [
          [impact - 0.08, 0],
          [impact + 0.12, 18],
          [finish - 0.1, 52],
        ],
      },
    },
    leadShare: share,
    pushes: [share[1]![0]],
    ...fullSwing(swingFrom, top, impact, finish, z, {
      ...ORDINARY_SWING,
      tilt: { address: 3, top: o.tiltTop, impact: 12 },
    }),
    reps: [{ kind: "step-swing", from: 0, to: finish + 0.9, clubAhead: true, strike: impact }],
    club: CLUB.iron,
    clubAhead: [
      [swingFrom - 0.05, 12],
      [swingFrom + 0.3, 0],
    ],
  };
}
