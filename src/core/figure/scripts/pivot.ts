import type { Knot } from "../../maths";
import type { MovementScript } from "../script";
import { atAddress, planted, script, STANCE, type ScriptedStance } from "./quiet";

export interface PivotOptions {
  foot: "lead" | "trail";
  /** Times in s, turn toward the target in degrees, drag of the heel along T in cm. */
  times: number;
  period: number;
  turn: number;
  drag: number;
  stance: ScriptedStance;
}

/** One foot turns about its heel and back, the pelvis with it; every turn is one rep. */
export function pivot(changes: Partial<PivotOptions> = {}): MovementScript {
  const o: PivotOptions = {
    foot: "trail",
    times: 3,
    period: 1.7,
    turn: 85,
    drag: 0,
    stance: { ...STANCE, gap: 34 },
    ...changes,
  };
  const feet = planted(o.stance);
  // Inward for the trail foot, outward for the lead foot: both toward the target.
  const sign = o.foot === "trail" ? -1 : 1;
  const turn: Knot[] = [[0.8, 0]];
  const toe: Knot[] = [[0.75, 0]];
  const slide: Knot[] = [[0.8, 0]];
  const pelvisTurn: Knot[] = [[0.8, 0]];
  const share: Knot[] = [
    [0.3, 50],
    [0.7, o.foot === "trail" ? 66 : 34],
  ];
  const reps: MovementScript["reps"] = [];
  for (let k = 0; k < o.times; k++) {
    const from = 0.8 + k * o.period;
    const [peak, hold, back] = [
      from + o.period * 0.38,
      from + o.period * 0.5,
      from + o.period * 0.88,
    ];
    turn.push([peak, sign * o.turn], [hold, sign * o.turn], [back, 0]);
    toe.push([from + 0.12, 5], [peak - 0.05, 3], [hold, 0], [hold + 0.1, 5], [back, 0]);
    slide.push([peak, o.drag], [hold, o.drag], [back, 0]);
    pelvisTurn.push([peak, o.turn * 0.42], [hold, o.turn * 0.42], [back, 0]);
    if (k + 1 < o.times)
      for (const knots of [turn, slide, pelvisTurn]) knots.push([from + o.period, 0]);
    reps.push({ kind: "pivot", from: from - 0.1, to: from + o.period * 0.98, foot: o.foot });
  }
  const end = 0.8 + o.times * o.period;
  return script(
    end + 0.7,
    o.stance,
    {
      ...atAddress(),
      forwardBend: [[0, 14]],
      pelvisTurn,
      thoraxTurn: pelvisTurn.map(([t, v]): Knot => [t, v * 0.7]),
      reach: [[0, 0.55]],
      armSwing: [[0, 0]],
    },
    {
      feet: {
        ...feet,
        [o.foot]: { ...feet[o.foot], pivot: turn, toePitch: toe, slide: o.drag ? slide : [] },
      },
      leadShare: share,
      reps,
      club: null,
    },
  );
}
