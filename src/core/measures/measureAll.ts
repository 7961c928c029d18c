import type { Motion } from "../motion/motion";
import type { Rep, RepRules } from "../reps/rep";
import { balanceMeasures } from "./balance";
import {
  CATALOGUE,
  MEASURE_IDS,
  missing,
  type MeasureId,
  type Measures,
  type RawMeasure,
} from "./catalogue";
import { cycleMeasures } from "./cycle";
import { feetMeasures } from "./feet";
import { footSpanMeasures } from "./footSpans";
import { legMeasures } from "./legs";
import { orderMeasures } from "./order";
import { pivotMeasures } from "./pivot";
import { behindMeasures, postureMeasures, turnMeasures } from "./posture";
import { swayMeasures } from "./sway";
import { weightMeasures } from "./weight";

/**
 * All measures of the catalogue for one rep; those of another view or another kind of rep say so.
 */
export function measureAll(m: Motion, rep: Rep, rules: RepRules): Record<MeasureId, RawMeasure> {
  const found = of(m, rep, rules);
  return Object.fromEntries(
    MEASURE_IDS.map((id) => [
      id,
      found[id] ?? missing(CATALOGUE[id].views.includes(m.view) ? "otherKind" : "otherView"),
    ]),
  ) as Record<MeasureId, RawMeasure>;
}

function of(m: Motion, rep: Rep, rules: RepRules): Measures {
  const copied = copiedMeasures(m, rep, rules);
  if (rep.kind === "cycle" || rep.kind === "pivot" || rep.kind === "hold") return copied;
  const joints = { ...legMeasures(m, rep), ...footSpanMeasures(m, rep) };
  return m.view === "face-on"
    ? { ...copied, ...joints, ...turnMeasures(m, rep) }
    : { ...copied, ...joints };
}

/**
 * The measures that perturbed copies of a motion have of their own. The rest is read from single
 * joints and followed shoes, which the noise model does not move: how good those are is told by
 * their method's error alone.
 */
export function copiedMeasures(m: Motion, rep: Rep, rules: RepRules): Measures {
  if (rep.kind === "cycle") return cycleMeasures(m, rep);
  if (rep.foot) return pivotMeasures(m, rep, rep.foot);
  if (rep.kind === "hold") return balanceMeasures(m, rep);
  const both = { ...orderMeasures(m, rep, rules), ...balanceMeasures(m, rep) };
  if (m.view !== "face-on") return { ...both, ...behindMeasures(m, rep) };
  return {
    ...both,
    ...swayMeasures(m, rep),
    ...postureMeasures(m, rep),
    ...weightMeasures(m, rep),
    ...feetMeasures(m, rep),
  };
}
