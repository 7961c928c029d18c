import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest, toMs } from "../reps/clock";
import { handSpeed } from "../reps/events/hands";
import { got, missing, type Measures } from "./catalogue";
import { extremes, struck } from "./spans";

/** Times of the swing, ms, and their ratio; who turns back before the hands do. */
export function orderMeasures(m: Motion, rep: Rep): Measures {
  const { address, handStart, top, transition, slideStart, finish } = rep.events;
  const hit = struck(rep);
  const out: Measures = {
    backTime: got(top - handStart, top),
    downTime: got(hit - top, hit),
    tempoRatio: got((top - handStart) / (hit - top), hit),
    stillBefore: got((address - rep.stillFromMs) / 1000, address),
    peakHandSpeed: missing("eventNotFound"),
  };
  if (!Number.isNaN(handStart)) {
    const peak = extremes(handSpeed(m), nearest(m, handStart), nearest(m, Number.isNaN(finish) ? rep.toMs : finish));
    out.peakHandSpeed = got(peak.high, toMs(m, peak.highAt));
  }
  if (m.view !== "face-on") return out;
  return { ...out, pelvisBeforeHands: got(top - transition, transition), slideBeforeHands: got(top - slideStart, slideStart) };
}
