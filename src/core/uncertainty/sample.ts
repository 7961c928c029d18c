import { deviation, median } from "../maths";
import { type MeasureId, type RawMeasure, copiedMeasures } from "../measures";
import type { Motion } from "../motion";
import {
  readRep,
  EVENT_NAMES,
  type EventName,
  type Rep,
  type RepContext,
  type RepWindow,
} from "../reps";

/**
 * What the copies of a rep gave: values by event, measure (those that copies have), foot event (as
 * the rep lists them), and the share's curves.
 */
export interface Sampled {
  copies: number;
  events: Map<EventName, number[]>;
  measures: Map<MeasureId, number[]>;
  footEvents: number[][];
  shares: Float64Array[];
}

/** A foot event of a copy farther from the rep's own than this is another one, ms. */
const SAME_EVENT = 120;

/** The spell in which a rep's errors are taken to be zero, ms. */
export function zeroErrorSpell(rep: Rep): { fromMs: number; toMs: number } {
  const address = Number.isNaN(rep.events.address) ? rep.fromMs : rep.events.address;
  return { fromMs: Math.min(rep.stillFromMs, address), toMs: address };
}

/**
 * Reads the same rep in perturbed copies of its motion.
 *
 * @param copies how many
 * @param motions they are, see `perturbed`
 */
export function sample(
  motions: Iterable<Motion>,
  copies: number,
  rep: Rep,
  window: RepWindow,
  context: RepContext,
): Sampled {
  const out: Sampled = {
    copies,
    events: new Map(EVENT_NAMES.map((e) => [e, []])),
    measures: new Map(),
    footEvents: rep.footEvents.map(() => []),
    shares: [],
  };
  for (const copy of motions) {
    const r = readRep(copy, window, context);
    if (!r) continue;
    for (const name of EVENT_NAMES)
      if (!Number.isNaN(r.events[name])) out.events.get(name)!.push(r.events[name]);
    for (const [id, { value }] of Object.entries(copiedMeasures(copy, r, context.rules)) as [
      MeasureId,
      RawMeasure,
    ][]) {
      let list = out.measures.get(id);
      if (!list) out.measures.set(id, (list = []));
      if (!Number.isNaN(value)) list.push(value);
    }
    rep.footEvents.forEach((e, k) => {
      const same = r.footEvents.find(
        (f) => f.foot === e.foot && f.event === e.event && Math.abs(f.ms - e.ms) < SAME_EVENT,
      );
      if (same) out.footEvents[k]!.push(same.ms);
    });
    out.shares.push(r.leadShare);
  }
  return out;
}

/** Copies of one rep that were read in parts, in their order, as if they had been read together. */
export function joined([first, ...others]: readonly [Sampled, ...Sampled[]]): Sampled {
  const merged = <K>(of: (s: Sampled) => Map<K, number[]>): Map<K, number[]> => {
    const out = new Map([...of(first)].map(([k, list]): [K, number[]] => [k, [...list]]));
    for (const o of others)
      for (const [k, list] of of(o)) out.set(k, [...(out.get(k) ?? []), ...list]);
    return out;
  };
  return {
    copies: first.copies + others.reduce((n, o) => n + o.copies, 0),
    events: merged((s) => s.events),
    measures: merged((s) => s.measures),
    footEvents: first.footEvents.map((list, k) => [
      ...list,
      ...others.flatMap((o) => o.footEvents[k]!),
    ]),
    shares: [first, ...others].flatMap((s) => s.shares),
  };
}

/** Standard deviation of samples, by their middle 68 % where a few stray far. */
export function spread(x: readonly number[]): number {
  if (x.length < 2) return 0;
  const m = median(x);
  const robust = median(x.map((v) => Math.abs(v - m))) * 1.4826;
  const full = deviation(x);
  return full > 3 * robust && robust > 0 ? (full + robust) / 2 : full;
}
