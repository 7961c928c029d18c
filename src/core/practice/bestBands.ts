import { type Check, decides, type Stage } from "../drills";
import { deviation, mean } from "../maths";
import type { KeptRep } from "./judgeAgain";

/** Bands are taken from so many of the best reps, and from no fewer than the least. */
export const BEST = 10;
export const FEWEST = 5;
/**
 * Room on either side of the best reps' mean: so many deviations of a rep, its own doubt counted in
 * (about 95 %).
 */
const ROOM = 2;

export interface BestBands {
  /** The reps that count, the best first. */
  used: string[];
  bands: Record<string, [number | null, number | null]>;
}

/**
 * Bands from a golfer's own best reps: passes first, then those that come nearest to the targets. A
 * limit that a check has lies where a rep like these still passes: their mean and twice the
 * deviation of one, with the film's doubt on top (the whole interval must lie inside to pass). For
 * a golfer of 178 cm, as bands are kept.
 *
 * @returns null with fewer than `FEWEST` reps that were measured
 */
export function bestBands(stage: Stage, reps: readonly KeptRep[]): BestBands | null {
  const musts = stage.checks.filter((c) => c.level === "must" || (decides(c) && c.point));
  const valueOf = (r: KeptRep, c: Check) => r.measures[c.measure]?.value ?? null;
  const known = reps.filter((r) => musts.every((c) => valueOf(r, c) !== null));
  if (known.length < FEWEST || !musts.length) return null;
  const scale = (c: Check, side: 0 | 1, statureCm: number) =>
    c.scales[side] ? 178 / statureCm : 1;
  const far = (r: KeptRep) =>
    Math.max(
      ...musts.map(
        (c) =>
          Math.abs(valueOf(r, c)! * scale(c, 1, r.statureCm) - c.target) /
          Math.abs(c.fault - c.target),
      ),
    );
  const used = [...known]
    .sort((a, b) => Number(b.result === "pass") - Number(a.result === "pass") || far(a) - far(b))
    .slice(0, BEST);
  const bands = Object.fromEntries(
    stage.checks.flatMap((c) => {
      const own = used.flatMap((r) => (valueOf(r, c) === null ? [] : [r]));
      if (own.length < FEWEST) return [];
      const limit = (side: 0 | 1): number | null => {
        if (c.band[side] === null) return null;
        const values = own.map((r) => valueOf(r, c)! * scale(c, side, r.statureCm));
        const u = mean(
          own.map((r) => (r.measures[c.measure]!.u ?? 0) * scale(c, side, r.statureCm)),
        );
        const room = ROOM * (deviation(values) + u);
        return Math.round((mean(values) + (side === 0 ? -room : room)) * 10) / 10;
      };
      return [[c.id, [limit(0), limit(1)] as [number | null, number | null]]];
    }),
  );
  return { used: used.map((r) => r.id), bands };
}
