import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest, toMs, valueAt } from "../reps/clock";
import type { RawMeasure } from "./catalogue";
import { placeAt, stepOf } from "./steps";

/** Sway, slide and head drift: displacements along T, cm. */
export function swayMeasures(m: Motion, rep: Rep): Record<"pelvisSway" | "pelvisSlide" | "headDrift", RawMeasure> {
  const { address, top, impact } = rep.events;
  return { pelvisSway: pelvisSway(m, rep), pelvisSlide: slide(m, top, impact), headDrift: drift(m, address, impact) };
}

/**
 * Largest move of mid-hip away from the target, address → top. After a trail step: from its landing, against the middle
 * of the feet as that step planted them (the lead foot at its address place), less the same difference at address.
 */
function pelvisSway(m: Motion, rep: Rep): RawMeasure {
  const { address, top } = rep.events;
  const before = valueAt(m, m.hipT, address);
  const step = stepOf(rep, "trail");
  let from = address;
  let middleMoved = 0;
  if (step && step.landing < top) {
    from = step.landing;
    middleMoved = (placeAt(m, "trail", "ankleT", step.landing) - placeAt(m, "trail", "ankleT", address)) / 2;
  }
  const a = nearest(m, from);
  const b = nearest(m, top);
  let away = -Infinity;
  let at = a;
  for (let i = a; i <= b; i++) {
    const sway = before - m.hipT[i]! + middleMoved;
    if (sway > away) {
      away = sway;
      at = i;
    }
  }
  return Number.isFinite(away) ? { value: away, atMs: toMs(m, at) } : { value: NaN, why: "eventNotFound" };
}

function slide(m: Motion, top: number, impact: number): RawMeasure {
  if (Number.isNaN(impact)) return { value: NaN, why: "eventNotFound" };
  const start = valueAt(m, m.hipT, top);
  let most = 0;
  let at = top;
  for (let i = nearest(m, top); i <= nearest(m, impact); i++)
    if (m.hipT[i]! - start > most) {
      most = m.hipT[i]! - start;
      at = toMs(m, i);
    }
  return { value: most, atMs: at };
}

function drift(m: Motion, address: number, impact: number): RawMeasure {
  if (Number.isNaN(impact)) return { value: NaN, why: "eventNotFound" };
  let low = Infinity;
  let high = -Infinity;
  for (let i = nearest(m, address); i <= nearest(m, impact); i++) {
    low = Math.min(low, m.headT[i]!);
    high = Math.max(high, m.headT[i]!);
  }
  return { value: high - low, atMs: impact };
}
