import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest } from "../reps/clock";
import { lostAfter } from "../reps/events/hold";
import { got, missing, type Measures } from "./catalogue";
import { range } from "./spans";

/** Wobble counts from this long after the position is taken, ms. */
const SETTLED_MS = 300;

/**
 * Time held from the finish (in a hold: from taking the position) and how far the centre of mass
 * wanders meanwhile.
 */
export function balanceMeasures(m: Motion, rep: Rep): Measures {
  const taken = rep.kind === "hold" ? rep.events.taken : rep.events.finish;
  if (Number.isNaN(taken))
    return { holdTime: missing("eventNotFound"), wobble: missing("eventNotFound") };
  const lost = Math.min(
    rep.kind === "hold" ? rep.events.lost : lostAfter(m, taken, rep.footEvents),
    rep.toMs,
  );
  const from = taken + SETTLED_MS;
  return {
    holdTime: got((lost - taken) / 1000, taken),
    wobble:
      lost - from > 200
        ? got(range(m.comT, nearest(m, from), nearest(m, lost)), from)
        : missing("eventNotFound"),
  };
}
