import { deviation, mean, quantile } from "../../src/core/maths/stats";
import type { ErrorTable, MethodError, Sort } from "../../src/core/uncertainty/errors";
import type { Pair } from "../study/compare";

/**
 * An error table under which everything is as found and copies alone make the uncertainty: what a
 * fit starts from.
 */
export const BARE: ErrorTable = new Proxy({ offset: 0, sd: 0, n: 0 } as never, {
  get: () =>
    new Proxy(
      {},
      { get: (_, key) => (String(key).includes("/") ? undefined : { offset: 0, sd: 0, n: 0 }) },
    ),
});

/** Fewer reps than this do not make an entry. */
const FEWEST = 4;
/**
 * Beyond this many u a rep was read wrongly, not badly: it counts as one that is outside, not by
 * how far.
 */
const STRAY = 2.5;
/**
 * A method that is off by more than this share of the spread of what it measures does not have an
 * offset: it fails, and its deviation says so.
 */
const MOST_OFFSET = 0.6;

/**
 * Two-sided 95 % quantile of Student's t (Cornish–Fisher about the normal; within 0.5 % from 7
 * degrees of freedom on).
 */
function t95(freedom: number): number {
  const z = 1.959964;
  return (
    z + (z ** 3 + z) / (4 * freedom) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2)
  );
}

/**
 * Offset and standard deviation of a method from pairs whose u is that of the copies alone. The
 * deviation is the smallest under which the errors are as large as they should be (mean square 1 in
 * units of u) and 95 % of them lie within 2u (one of twelve or more may not), widened by Student's
 * t for the number of reps.
 */
export function methodError(pairs: readonly Pair[]): MethodError | null {
  const known = pairs.filter((p) => p.u !== null);
  if (known.length < FEWEST) return null;
  const errors = known.map((p) => p.value - p.truth);
  const n = errors.length;
  const m = mean(errors);
  const se = Math.sqrt(mean(errors.map((e) => (e - m) ** 2)) / n);
  // A lone outlier must not drag the offset: the middle half decides whether there is one.
  const middle = quantile(errors, 0.5);
  const spread = deviation(known.map((p) => p.truth));
  const offset = Math.abs(middle) > 2 * se && Math.abs(middle) <= MOST_OFFSET * spread ? middle : 0;
  const widen = t95(n - 1) / 2;
  const holds = (sd: number) => {
    const ratio = known.map(
      (p, i) => Math.abs(errors[i]! - offset) / Math.max(Math.hypot(p.u!, sd), 1e-9),
    );
    return (
      mean(ratio.map((r) => Math.min(r, STRAY) ** 2)) <= 1 &&
      ratio.filter((r) => r > 2).length <= Math.max(0.05 * n, n >= 12 ? 1 : 0)
    );
  };
  let [lo, hi] = [0, Math.max(...errors.map(Math.abs)) * 2 + 1e-6];
  if (holds(0)) hi = 0;
  for (let k = 0; k < 40 && hi > 0; k++) {
    const mid = (lo + hi) / 2;
    if (holds(mid)) hi = mid;
    else lo = mid;
  }
  return { offset: round(offset), sd: round(hi * widen), n };
}

const round = (v: number) => Number(v.toPrecision(3));

/**
 * Reps with and without a step before the strike are fitted apart: a small step on the way back and
 * a walk through the strike have little in common. Where too few stand still, all stand for them.
 */
export function tableOf(groups: {
  measures: Map<string, Pair[]>;
  events: Map<string, Pair[]>;
  footEvents: Map<string, Pair[]>;
}): ErrorTable {
  const fit = (map: Map<string, Pair[]>) => {
    const out: Record<string, MethodError> = {};
    for (const [id, list] of [...map].sort(([a], [b]) => a.localeCompare(b))) {
      const of = (...sorts: Sort[]) => list.filter((p) => sorts.includes(p.sort));
      const put = (key: string, pairs: Pair[]) => {
        const error = methodError(pairs);
        if (error) out[key] = error;
      };
      put(id, of("planted").length >= FEWEST ? of("planted") : of("planted", "step"));
      put(`${id}/step`, of("step"));
      put(`${id}/behind`, of("behind"));
    }
    return out;
  };
  const byEvent = new Map<string, Pair[]>();
  for (const [key, list] of groups.footEvents)
    byEvent.set(key.split(" ")[1]!, [...(byEvent.get(key.split(" ")[1]!) ?? []), ...list]);
  return { measures: fit(groups.measures), events: fit(groups.events), footEvents: fit(byEvent) };
}
