import { recordOf } from "../maths";
import type { Motion } from "../motion";
import type { Rep, RepKind, RepRules } from "../reps";
import { CATALOGUE, MEASURE_IDS, type MeasureId, type Measures } from "./catalogue";
import {
  unmeasured,
  RepMotion,
  type Compute,
  type Measure,
  type MeasuredKind,
  type RawMeasure,
} from "./measure";

const MEASURED_AS: Record<RepKind, MeasuredKind> = {
  swing: "swing",
  "step-swing": "swing",
  gesture: "swing",
  cycle: "cycle",
  pivot: "pivot",
  hold: "hold",
};

/**
 * All measures of the catalogue for one rep; those of another view or another kind of rep say so.
 */
export function measureAll(m: Motion, rep: Rep, rules: RepRules): Record<MeasureId, RawMeasure> {
  const r = new RepMotion(m, rep, rules);
  return recordOf(MEASURE_IDS, (id) => {
    const measure = CATALOGUE[id];
    if (!measure.views.includes(m.view)) return unmeasured("otherView");
    const compute = fromChannels(measure, rep) ?? fromJoints(measure, rep);
    return compute ? compute(r) : unmeasured("otherKind");
  });
}

/**
 * The measures that perturbed copies of a motion have of their own. The rest is read from single
 * joints and followed shoes, which the noise model does not move: how good those are is told by
 * their method's error alone.
 */
export function copiedMeasures(m: Motion, rep: Rep, rules: RepRules): Measures {
  const r = new RepMotion(m, rep, rules);
  const out: Measures = {};
  for (const id of MEASURE_IDS) {
    const measure = CATALOGUE[id];
    const compute = measure.views.includes(m.view) ? fromChannels(measure, rep) : undefined;
    if (compute) out[id] = compute(r);
  }
  return out;
}

const fromChannels = ({ channels }: Measure, { kind }: Rep): Compute | undefined =>
  channels?.[MEASURED_AS[kind]];

const fromJoints = ({ joints }: Measure, { kind }: Rep): Compute | undefined =>
  MEASURED_AS[kind] === "swing" ? joints : undefined;
