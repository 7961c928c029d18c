import type { Motion } from "../motion/motion";
import type { Rep, RepRules } from "../reps/rep";
import { nearest, toMs } from "../reps/clock";
import { handSpeed } from "../reps/events/hands";
import { got, missing, type Measures, type RawMeasure } from "./catalogue";
import { extremes, struck } from "./spans";

/** When the prop is heard to fall, % of the downswing. */
const fall = ({ knockMs, events }: Rep, hit: number): RawMeasure =>
  knockMs === undefined
    ? missing("notHeard")
    : got(((knockMs - events.top) / (hit - events.top)) * 100, knockMs);

/** Times of the swing, ms, and their ratio; who turns back before the hands do. */
export function orderMeasures(m: Motion, rep: Rep, rules: Pick<RepRules, "prop">): Measures {
  const { address, handStart, top, transition, slideStart, finish } = rep.events;
  const hit = struck(rep);
  const out: Measures = {
    backTime: got(top - handStart, top),
    downTime: got(hit - top, hit),
    tempoRatio: got((top - handStart) / (hit - top), hit),
    stillBefore: got((address - rep.stillFromMs) / 1000, address),
    peakHandSpeed: missing("eventNotFound"),
    propDropAt: rules.prop ? fall(rep, hit) : missing("otherKind"),
  };
  if (!Number.isNaN(handStart)) {
    const peak = extremes(
      handSpeed(m),
      nearest(m, handStart),
      nearest(m, Number.isNaN(finish) ? rep.toMs : finish),
    );
    out.peakHandSpeed = got(peak.high, toMs(m, peak.highAt));
  }
  if (m.view !== "face-on") return out;
  return {
    ...out,
    pelvisBeforeHands: got(top - transition, transition),
    slideBeforeHands: got(top - slideStart, slideStart),
  };
}
