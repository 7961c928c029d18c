import type { Knot } from "../../maths";
import type { MovementScript, ScriptedRep, Step } from "../script";
import { atAddress, planted, script, STANCE, type ScriptedStance } from "./quiet";

/**
 * A to-and-fro: the weight goes from foot to foot and the hands follow. Times in s, angles in
 * degrees.
 */
export interface CycleOptions {
  cycles: number;
  period: number;
  stance: ScriptedStance;
  /** Share at the two ends is 50 ± this. */
  weight: number;
  /** The pressure turns around this long before the hands do. */
  lag: number;
  /** Arm swing to either side; chest turn to either side. */
  arms: number;
  thorax: number;
  /** Each foot in turn steps this far out and back, cm; 0 = feet stay. */
  step: number;
  /** Drag of a planted foot in each half, cm. */
  slide: number;
  slideOf: "lead" | "trail";
  /** Spread of the periods, share. */
  unsteady: number;
  club: number | null;
  /** A sequence of numbers −1 … 1 that makes no two cycles alike. */
  jitter: readonly number[];
}

const STEADY_CYCLE: CycleOptions = {
  cycles: 5,
  period: 1.6,
  stance: STANCE,
  weight: 30,
  lag: 0.18,
  arms: 38,
  thorax: 30,
  step: 0,
  slide: 0,
  slideOf: "trail",
  unsteady: 0.03,
  club: null,
  jitter: [0.2, -0.7, 0.9, -0.4, 0.1, -0.9, 0.6, -0.1, 0.8, -0.5],
};

/** Rocking or stepping from side to side; every full period of the hands is one rep. */
export function cycle(changes: Partial<CycleOptions> = {}): MovementScript {
  const o = { ...STEADY_CYCLE, ...changes };
  const turn: number[] = [];
  let t = 1.2;
  for (let k = 0; k <= o.cycles * 2; k++) {
    turn.push(t);
    t += (o.period / 2) * (1 + o.unsteady * o.jitter[k % o.jitter.length]!);
  }
  const armSwing: Knot[] = [[0.55, 0]];
  const thoraxTurn: Knot[] = [[0.5, 0]];
  const pelvisTurn: Knot[] = [[0.45, 0]];
  const leadShare: Knot[] = [[0.2, 50]];
  const lead: Step[] = [];
  const trail: Step[] = [];
  const slide: Knot[] = [];
  turn.forEach((at, k) => {
    const side = k % 2 === 0 ? 1 : -1;
    armSwing.push([at, o.arms * side]);
    thoraxTurn.push([at - 0.04, -o.thorax * side]);
    pelvisTurn.push([at - 0.08, -o.thorax * 0.45 * side]);
    leadShare.push([at - o.lag, 50 - o.weight * side]);
    // The free foot is lifted while the weight is on the other and comes down before the hands
    // turn.
    if (o.step > 0 && k > 0 && k < turn.length - 1) {
      const half = o.period / 2;
      const steps = side === 1 ? lead : trail;
      const out = Math.floor(k / 2) % 2 === 0 ? 1 : -1;
      steps.push({
        from: at - o.lag - 0.3 * half,
        to: at - o.lag + 0.25 * half,
        alongTarget: out * o.step * (side === 1 ? 1 : -1),
        apex: 5,
      });
    }
    if (o.slide !== 0) slide.push([at, k % 2 === 0 ? o.slide : 0]);
  });
  const end = turn[turn.length - 1]!;
  for (const knots of [armSwing, thoraxTurn, pelvisTurn]) knots.push([end + o.period * 0.5, 0]);
  leadShare.push([end + o.period * 0.4, 50]);
  const reps: ScriptedRep[] = [];
  for (let k = 0; k < o.cycles; k++)
    reps.push({ kind: "cycle", from: turn[2 * k]!, to: turn[2 * k + 2]! });
  const feet = planted(o.stance);
  return script(
    end + o.period * 0.5 + 0.8,
    o.stance,
    {
      ...atAddress(),
      forwardBend: [[0, 22]],
      armSwing,
      thoraxTurn,
      pelvisTurn,
    },
    {
      feet: {
        lead: { ...feet.lead, steps: lead, ...(o.slideOf === "lead" ? { slide } : {}) },
        trail: { ...feet.trail, steps: trail, ...(o.slideOf === "trail" ? { slide } : {}) },
      },
      leadShare,
      pushes: [],
      reps,
      club: o.club,
    },
  );
}
