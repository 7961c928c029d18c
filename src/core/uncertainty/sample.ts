import { deviation, median } from "../maths/stats";
import { type MeasureId, type RawMeasure } from "../measures/catalogue";
import { copiedMeasures } from "../measures/measureAll";
import type { Motion } from "../motion/motion";
import { readRep } from "../reps/readRep";
import { EVENT_NAMES, type EventName, type Rep, type RepContext } from "../reps/rep";
import type { RepWindow } from "../reps/window";
import type { Scene } from "../scene/scene";
import { perturbed } from "./perturb";

/** What the copies of a rep gave: values by event, measure (those that copies have), foot event (as the rep lists them), and the share's curves. */
export interface Sampled {
  copies: number;
  events: Map<EventName, number[]>;
  measures: Map<MeasureId, number[]>;
  footEvents: number[][];
  shares: Float64Array[];
}

/** A foot event of a copy farther from the rep's own than this is another one, ms. */
const SAME_EVENT = 120;

/** Reads the same rep in perturbed copies of its motion. */
export function sample(motion: Motion, scene: Scene, rep: Rep, window: RepWindow, context: RepContext, copies: number, seed: number): Sampled {
  const out: Sampled = {
    copies, events: new Map(EVENT_NAMES.map((e) => [e, []])), measures: new Map(), footEvents: rep.footEvents.map(() => []), shares: [],
  };
  const address = Number.isNaN(rep.events.address) ? rep.fromMs : rep.events.address;
  for (const copy of perturbed(motion, scene, { fromMs: Math.min(rep.stillFromMs, address), toMs: address }, copies, seed)) {
    const r = readRep(copy, window, context);
    if (!r) continue;
    for (const name of EVENT_NAMES) if (!Number.isNaN(r.events[name])) out.events.get(name)!.push(r.events[name]);
    for (const [id, { value }] of Object.entries(copiedMeasures(copy, r, context.rules)) as [MeasureId, RawMeasure][]) {
      let list = out.measures.get(id);
      if (!list) out.measures.set(id, (list = []));
      if (!Number.isNaN(value)) list.push(value);
    }
    rep.footEvents.forEach((e, k) => {
      const same = r.footEvents.find((f) => f.foot === e.foot && f.event === e.event && Math.abs(f.ms - e.ms) < SAME_EVENT);
      if (same) out.footEvents[k]!.push(same.ms);
    });
    out.shares.push(r.leadShare);
  }
  return out;
}

/** Standard deviation of samples, by their middle 68 % where a few stray far. */
export function spread(x: readonly number[]): number {
  if (x.length < 2) return 0;
  const m = median(x);
  const robust = median(x.map((v) => Math.abs(v - m))) * 1.4826;
  const full = deviation(x);
  return full > 3 * robust && robust > 0 ? (full + robust) / 2 : full;
}
