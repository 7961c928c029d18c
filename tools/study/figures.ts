import { mean } from "../../src/core/maths/stats";
import type { Pair } from "./compare";

/** How a value does against truth, over many reps. */
export interface Figures {
  n: number;
  rms: number;
  bias: number;
  /** Root mean square after the steady part is taken out. */
  sd: number;
  /** Middle standard uncertainty that was stated; null when none was. */
  u: number | null;
  /** Reps whose truth lay within value ± 2u, of those with a u. */
  within: number;
  of: number;
}

export function figures(pairs: readonly Pair[]): Figures {
  const errors = pairs.map((p) => p.value - p.truth);
  const bias = mean(errors);
  const sure = pairs.filter((p) => p.u !== null);
  const us = sure.map((p) => p.u!).sort((a, b) => a - b);
  return {
    n: pairs.length,
    rms: Math.sqrt(mean(errors.map((e) => e * e))),
    bias,
    sd: Math.sqrt(mean(errors.map((e) => (e - bias) ** 2))),
    u: us.length ? us[us.length >> 1]! : null,
    within: sure.filter((p) => Math.abs(p.value - p.truth) <= 2 * p.u!).length,
    of: sure.length,
  };
}

/**
 * Exact two-sided 95 % interval of a share k of n (Clopper–Pearson, by bisection on the binomial
 * tail).
 */
export function binomialInterval(k: number, n: number): [number, number] {
  const tail = (p: number, from: number, to: number) => {
    let sum = 0;
    let log = n * Math.log(1 - p);
    for (let i = 0; i <= to; i++) {
      if (i >= from) sum += Math.exp(log);
      log += Math.log((n - i) / (i + 1)) + Math.log(p / (1 - p));
    }
    return sum;
  };
  const solve = (f: (p: number) => number) => {
    let [lo, hi] = [1e-9, 1 - 1e-9];
    for (let i = 0; i < 60; i++) {
      const mid = (lo + hi) / 2;
      if (f(mid) > 0) hi = mid;
      else lo = mid;
    }
    return (lo + hi) / 2;
  };
  return [
    k === 0 ? 0 : solve((p) => tail(p, k, n) - 0.025),
    k === n ? 1 : solve((p) => 0.025 - tail(p, 0, k)),
  ];
}
