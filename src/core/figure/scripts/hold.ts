import type { Knot } from "../../maths";
import type { MovementScript } from "../script";
import { planted, script, upright, STANCE, type ScriptedStance } from "./quiet";

export interface HoldOptions {
  /** The foot stood on. */
  on: "lead" | "trail";
  /** Time held on one foot, s. */
  seconds: number;
  /** Sway of the trunk while holding, degrees. */
  wobble: number;
  stance: ScriptedStance;
}

/** Stands on one leg for a while and sets the other foot down again. */
export function hold(changes: Partial<HoldOptions> = {}): MovementScript {
  const o: HoldOptions = {
    on: "lead",
    seconds: 2.4,
    wobble: 1,
    stance: { ...STANCE, gap: 20 },
    ...changes,
  };
  const feet = planted(o.stance);
  const free = o.on === "lead" ? "trail" : "lead";
  const lift = { from: 1.1, to: 1.1 + 0.8 + o.seconds, alongTarget: 0, apex: 10, hang: o.seconds };
  const sideTilt: Knot[] = [[1.1, 0]];
  for (let t = 1.8, k = 1; t < lift.to - 0.3; t += 0.55, k = -k) sideTilt.push([t, o.wobble * k]);
  sideTilt.push([lift.to, 0]);
  const over = o.on === "lead" ? 90 : 10;
  return script(
    lift.to + 0.9,
    o.stance,
    { ...upright(), reach: [[0, 0.6]], sideTilt },
    {
      feet: { ...feet, [free]: { ...feet[free], steps: [lift] } },
      leadShare: [
        [0.5, 50],
        [0.75, 100 - (over - 50) * 0.2 - 50 + (o.on === "lead" ? -4 : 4)],
        [1.05, over],
        [lift.to, over],
        [lift.to + 0.5, 50],
      ],
      pushes: [0.75],
      reps: [{ kind: "hold", from: 0.6, to: lift.to + 0.6 }],
      club: null,
    },
  );
}
