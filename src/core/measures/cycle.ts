import { mean } from "../maths/stats";
import { placeOnClock } from "../motion/footMotion";
import type { Motion } from "../motion/motion";
import { turnByWidth } from "../motion/turn";
import type { Rep } from "../reps/rep";
import { nearest } from "../reps/clock";
import { pressureTurn } from "../reps/turns";
import { got, missing, SIDES, type Measures } from "./catalogue";
import { extremes, range } from "./spans";

/**
 * One period of a to-and-fro. Turns are matched side by side; a foot's landing to the turn of the
 * hands that follows it.
 */
export function cycleMeasures(m: Motion, rep: Rep): Measures {
  const { fromMs, toMs } = rep;
  const [a, b] = [nearest(m, fromMs), nearest(m, toMs)];
  const hands = rep.turns.filter((t) => t.of === "hands");
  const inside = hands.filter((t) => t.ms >= fromMs - 20 && t.ms <= toMs + 20);
  const leads = inside.flatMap((h) => {
    const same = pressureTurn(rep.turns, h, toMs - fromMs);
    return same ? [h.ms - same.ms] : [];
  });
  const places = SIDES.map((s) => placeOnClock(m.feet[s], m.startMs, m.dt, m.n));
  const beyond = m.handsT.map((t, i) => {
    const ends = places.flatMap((p) => [p.heelT[i]!, p.toeT[i]!]);
    return Math.max(t - Math.max(...ends), Math.min(...ends) - t);
  });
  const waits = rep.footEvents
    .filter((f) => f.event === "landing" && f.ms >= fromMs && f.ms <= toMs)
    .flatMap((f) => {
      const next = hands.find((t) => t.ms > f.ms - 300);
      return next ? [next.ms - f.ms] : [];
    });
  const out: Measures = {
    groundLeadsHands: leads.length ? got(mean(leads), toMs) : missing("eventNotFound"),
    handRange: got(extremes(beyond, a, b).high, toMs),
    cadence: got(60000 / (toMs - fromMs), toMs),
    thoraxRange: got(range(turnByWidth(m, "shoulder", a, b), a, b), toMs),
    pelvisRange: got(range(turnByWidth(m, "hip", a, b), a, b), toMs),
    landBeforeTurnaround: waits.length ? got(mean(waits), toMs) : missing("noStep"),
  };
  for (const side of SIDES) {
    let most = 0;
    for (const s of m.feet[side].spells) {
      const during = Array.from(s.toe.times, (t, k) =>
        t >= Math.max(fromMs, s.fromMs) && t <= Math.min(toMs, s.toMs) ? s.toe.t[k]! : NaN,
      ).filter((v) => !Number.isNaN(v));
      if (during.length) most = Math.max(most, ...during.map((v) => Math.abs(v - during[0]!)));
    }
    out[`${side}PlantedTravel`] = got(most, toMs);
  }
  return out;
}
