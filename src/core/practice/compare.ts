import { decides } from "../drills";
import type { CheckVerdict, Measured, Verdict } from "../judge";
import type { MeasureId } from "../measures";
import type { EventName } from "../reps";

/** Events that reps are aligned by, in their order. */
const ALIGNED: readonly EventName[] = [
  "address",
  "handStart",
  "midBack",
  "top",
  "halfwayDown",
  "impact",
  "release",
  "midThrough",
  "finish",
  "taken",
  "lost",
  "pivotStart",
  "pivotPeak",
  "pivotBack",
];

/** Times of a rep's events, ms. */
export type EventTimes = Readonly<Record<string, number>>;

/**
 * Puts one rep's time on another's: at each event that both have, the other's; evenly between two,
 * and shifted before the first and after the last. Without a common event both begin together at
 * `from`.
 *
 * @param from where both begin, ms on their own clocks
 * @returns ms on the other's clock for ms on the one's
 * @example warp({ top: 100, impact: 200 }, { top: 0, impact: 300 })(150) // 150
 */
export function warp(
  one: EventTimes,
  other: EventTimes,
  from: readonly [one: number, other: number] = [0, 0],
): (ms: number) => number {
  const pairs: [number, number][] = [];
  for (const name of ALIGNED) {
    const [a, b] = [one[name], other[name]];
    const last = pairs.at(-1);
    // Two that come in another order can't both be kept.
    if (a !== undefined && b !== undefined && (!last || (a > last[0] && b > last[1])))
      pairs.push([a, b]);
  }
  if (!pairs.length) return (ms) => ms - from[0] + from[1];
  return (ms) => {
    const next = pairs.findIndex(([a]) => a > ms);
    if (next === 0) return pairs[0]![1] + ms - pairs[0]![0];
    const [a, b] = pairs[next < 0 ? pairs.length - 1 : next - 1]!;
    if (next < 0) return b + ms - a;
    const [a2, b2] = pairs[next]!;
    return b + ((ms - a) / (a2 - a)) * (b2 - b);
  };
}

/** How two reps differ in one measure. */
export interface Difference {
  measure: MeasureId;
  unit: string;
  one: number;
  other: number;
  /** One less the other; and its standard uncertainty. */
  by: number;
  u: number;
  /** Its size in the film's doubts (2u): beyond 1 it is no chance. */
  doubts: number;
}

/** Told of every rep, beside what its drill asks. */
const ALWAYS: readonly MeasureId[] = [
  "backTime",
  "downTime",
  "tempoRatio",
  "pelvisSway",
  "pelvisSlide",
  "headDrift",
  "trailSharePeak",
  "leadShareTop",
  "leadShareImpact",
];

/**
 * Ways that are no doubt at all (a share that is 100 % by the feet) still have the least that a
 * film tells, in the measure's unit.
 */
const LEAST_U = 0.05;

/**
 * How two reps differ in what their drill asks and in what is told of every rep, the surest
 * difference first. What one of them does not have is left out.
 *
 * @param asked measures that the drill's checks ask for
 */
export function differences(
  one: Readonly<Record<string, Measured>>,
  other: Readonly<Record<string, Measured>>,
  asked: readonly MeasureId[],
): Difference[] {
  const ids = [...new Set([...asked, ...ALWAYS])];
  const all = ids.flatMap((measure): Difference[] => {
    const [a, b] = [one[measure], other[measure]];
    if (
      !a ||
      !b ||
      a.state !== "measured" ||
      b.state !== "measured" ||
      a.value === null ||
      b.value === null ||
      a.u === null ||
      b.u === null
    )
      return [];
    const u = Math.max(LEAST_U, Math.hypot(a.u, b.u));
    return [
      {
        measure,
        unit: a.unit,
        one: a.value,
        other: b.value,
        by: a.value - b.value,
        u,
        doubts: Math.abs(a.value - b.value) / (2 * u),
      },
    ];
  });
  return all.sort((x, y) => y.doubts - x.doubts);
}

/**
 * How far a rep is from failing: of its musts and the limits that were measured the least room to
 * an end of the band, in standard uncertainties; negative where one failed, null where a must is not
 * measured.
 */
export function margin({ checks }: Pick<Verdict, "checks">): number | null {
  const known = (c: CheckVerdict) => c.value !== null && c.u !== null;
  const held = checks.filter((c) => c.must || (decides(c) && known(c)));
  if (!held.length || !held.every(known)) return null;
  return Math.min(
    ...held.map(
      ({ band: [lo, hi], value, u }) =>
        Math.min(lo === null ? Infinity : value! - lo, hi === null ? Infinity : hi - value!) /
        Math.max(u!, LEAST_U),
    ),
  );
}

/**
 * The best of some reps: of those that passed the one that is farthest from failing; null where
 * none passed.
 */
export function bestOf<T extends { verdict: Pick<Verdict, "checks" | "result"> | null }>(
  reps: readonly T[],
): T | null {
  const passed = reps.flatMap((r) =>
    r.verdict?.result === "pass" ? [{ r, room: margin(r.verdict) ?? -Infinity }] : [],
  );
  return passed.sort((a, b) => b.room - a.room)[0]?.r ?? null;
}
