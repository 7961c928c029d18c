import { middleMs, type AnalysedRep } from "../analysis";
import type { VerdictSummary } from "../judge";
import { sameRep } from "./sameRep";

/** What was told of a rep on the spot, and where its middle is in its track, ms. */
export type ToldRep = VerdictSummary & { about: number };

/**
 * Each rep with what was told of it: for each answer the nearest rep that has none yet, where
 * anything was told at all.
 */
export function withTold(
  reps: readonly AnalysedRep[],
  told: readonly ToldRep[] | undefined,
): { r: AnalysedRep; live: ToldRep | null }[] {
  if (!told) return reps.map((r) => ({ r, live: null }));
  return nearestPairs(told, reps, (live, r) =>
    sameRep(middleMs(r), live.about) ? Math.abs(middleMs(r) - live.about) : Infinity,
  ).map(([live, r]) => ({ r, live }));
}

/**
 * Each of `of`, in their order, with the nearest of `among` that no other has yet; `apart` is
 * Infinity for what is none of its.
 */
export function nearestPairs<A, B>(
  of: readonly A[],
  among: readonly B[],
  apart: (a: A, b: B) => number,
): [A, B][] {
  const left = new Set(among);
  return of.flatMap((a) => {
    const [b] = [...left]
      .filter((one) => apart(a, one) < Infinity)
      .sort((one, other) => apart(a, one) - apart(a, other));
    if (b === undefined) return [];
    left.delete(b);
    return [[a, b]];
  });
}
