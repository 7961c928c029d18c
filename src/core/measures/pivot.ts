import { largestTurn } from "../motion/footDirection";
import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest } from "../reps/clock";
import type { SideName } from "../track/sides";
import { got, type Measures } from "./catalogue";

/** One turn of a foot about its heel and back: how far, how long, and how far the heel wandered. */
export function pivotMeasures(m: Motion, rep: Rep, foot: SideName): Measures {
  const [a, b] = [nearest(m, rep.fromMs), nearest(m, rep.toMs)];
  const { pivotStart, pivotBack, pivotPeak } = rep.events;
  const heel = m.feet[foot].spells
    .flatMap((s) => Array.from(s.heel.times, (t, k) => ({ t, x: s.heel.t[k]! })))
    .filter((p) => p.t >= rep.fromMs && p.t <= rep.toMs && !Number.isNaN(p.x));
  return {
    // From where it stood before all turns: its place between them is known no better than the
    // turn.
    [`${foot}FootTurn`]: got(
      largestTurn(m.direction[foot], a, b, m.dt, 0),
      pivotPeak,
      "footNotSeen",
    ),
    [`${foot}HeelTravel`]: got(
      Math.max(0, ...heel.map((p) => Math.abs(p.x - heel[0]!.x))),
      pivotPeak,
      "footNotSeen",
    ),
    pivotTime: got(pivotBack - pivotStart, pivotBack),
  };
}
