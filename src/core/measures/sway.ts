import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest, toMs, valueAt } from "../reps/clock";
import { eventOf, got, missing, MOMENTS, type Measures, type RawMeasure } from "./catalogue";
import { extremes, range, struck } from "./spans";
import { placeAt, stepOf } from "./steps";

/** Hips and head along T and U, cm: displacements against address. */
export function swayMeasures(m: Motion, rep: Rep): Measures {
  const { address, top, halfwayDown } = rep.events;
  const hit = struck(rep);
  const out: Measures = { pelvisSway: pelvisSway(m, rep), pelvisSlide: slide(m, top, hit) };
  for (const moment of MOMENTS) {
    const ms = rep.events[eventOf(moment)];
    out[`pelvisT${moment}`] = got(valueAt(m, m.hipT, ms) - valueAt(m, m.hipT, address), ms);
    out[`headT${moment}`] = hiddenFor(
      m,
      nearest(m, ms - HIDDEN_MS / 2),
      nearest(m, ms + HIDDEN_MS / 2),
    )
      ? missing("headHidden")
      : got(valueAt(m, m.headT, ms) - valueAt(m, m.headT, address), ms);
  }
  const [a, b] = [nearest(m, address), nearest(m, hit)];
  if (Number.isNaN(hit))
    return {
      ...out,
      headDrift: missing("eventNotFound"),
      counterMove: missing("eventNotFound"),
      headRise: missing("eventNotFound"),
    };
  out.headDrift = hiddenFor(m, a, b) ? missing("headHidden") : got(range(m.headT, a, b), hit);
  out.headRise = got(extremes(m.headU, a, b).high - valueAt(m, m.headU, address), hit);
  out.counterMove = got(apart(m, address, a, b), hit);
  out.pelvisDriftAtImpact = got(range(m.hipT, nearest(m, hit - 75), nearest(m, hit + 75)), hit);
  if (!Number.isNaN(halfwayDown)) {
    const low = extremes(m.hipU, nearest(m, top), nearest(m, halfwayDown));
    out.pelvisDropTransition = got(low.low - valueAt(m, m.hipU, top), toMs(m, low.lowAt));
    out.pelvisRiseToImpact = got(valueAt(m, m.hipU, hit) - low.low, hit);
  }
  return out;
}

/** A head that was hidden for longer than this was placed by the network alone too long, ms. */
const HIDDEN_MS = 250;

function hiddenFor(m: Motion, from: number, to: number): boolean {
  let run = 0;
  for (let i = from; i <= to; i++) {
    run = m.headHidden[i] ? run + 1 : 0;
    if (run * m.dt * 1000 >= HIDDEN_MS) return true;
  }
  return false;
}

/**
 * Largest smaller-of-the-two of hips and head while they are on opposite sides of their address
 * places.
 */
function apart(m: Motion, address: number, a: number, b: number): number {
  const [hip, head] = [valueAt(m, m.hipT, address), valueAt(m, m.headT, address)];
  let most = 0;
  for (let i = a; i <= b; i++) {
    const [p, q] = [m.hipT[i]! - hip, m.headT[i]! - head];
    if (p * q < 0) most = Math.max(most, Math.min(Math.abs(p), Math.abs(q)));
  }
  return most;
}

/**
 * Largest move of mid-hip away from the target, address → top. After a trail step: from its
 * landing, against the middle of the feet as that step planted them (the lead foot at its address
 * place), less the same difference at address.
 */
function pelvisSway(m: Motion, rep: Rep): RawMeasure {
  const { address, top } = rep.events;
  const before = valueAt(m, m.hipT, address);
  const step = stepOf(rep, "trail");
  let from = address;
  let middleMoved = 0;
  if (step && step.landing < top) {
    from = step.landing;
    middleMoved =
      (placeAt(m, "trail", "ankleT", step.landing) - placeAt(m, "trail", "ankleT", address)) / 2;
  }
  const { low, lowAt } = extremes(m.hipT, nearest(m, from), nearest(m, top));
  return got(before - low + middleMoved, toMs(m, lowAt));
}

function slide(m: Motion, top: number, hit: number): RawMeasure {
  if (Number.isNaN(hit)) return missing("eventNotFound");
  const { high, highAt } = extremes(m.hipT, nearest(m, top), nearest(m, hit));
  return got(Math.max(0, high - valueAt(m, m.hipT, top)), toMs(m, highAt));
}
