import { median } from "../maths";
import { rateChange, rateFrom, type PassRate, type RateChange } from "./passRate";
import { daysBetween, type Day } from "./plan/week";

/** A bout as progress counts it. */
export interface BoutLine {
  day: Day;
  drillId: string | null;
  stageId: string | null;
  place: string | null;
  club: string | null;
  passed: number;
  failed: number;
  notJudged: number;
}

const total = (lines: readonly BoutLine[], of: (l: BoutLine) => number): number =>
  lines.reduce((sum, l) => sum + of(l), 0);

/** The pass rate of some bouts together. */
export const rateOf = (lines: readonly BoutLine[]): PassRate =>
  rateFrom(
    total(lines, (l) => l.passed),
    total(lines, (l) => l.failed),
    total(lines, (l) => l.notJudged),
  );

/** A month, for what changed. */
const MONTH = 30;

/** The last 30 days against the 30 before; null where one of them has no judged rep. */
export function sinceLastMonth(
  lines: readonly BoutLine[],
  today: Day,
): { before: PassRate; now: PassRate; change: RateChange } | null {
  const ago = (l: BoutLine) => daysBetween(l.day, today);
  const now = rateOf(lines.filter((l) => ago(l) >= 0 && ago(l) < MONTH));
  const before = rateOf(lines.filter((l) => ago(l) >= MONTH && ago(l) < 2 * MONTH));
  const change = rateChange(before, now);
  return change && { before, now, change };
}

/**
 * How much a circumstance goes with: two ways of it, and what lies between their rates. That they
 * go together does not say why.
 */
export interface Effect {
  of: "place" | "club" | "rest";
  one: { name: string; rate: PassRate };
  other: { name: string; rate: PassRate };
  change: RateChange;
}

/** A drill that was done the day before or on the same day is done without rest. */
const RESTED = 2;

/**
 * Place, club and rest of a drill's bouts: each pair of the two commonest ways that have judged
 * reps.
 */
export function effects(lines: readonly BoutLine[]): Effect[] {
  const days = [...new Set(lines.map((l) => l.day))].sort();
  const rest = (l: BoutLine): string | null => {
    const before = days[days.indexOf(l.day) - 1];
    return before === undefined
      ? null
      : daysBetween(before, l.day) >= RESTED
        ? "after a day off or more"
        : "the day after";
  };
  const ways = { place: (l: BoutLine) => l.place, club: (l: BoutLine) => l.club, rest } as const;
  return (Object.keys(ways) as Effect["of"][]).flatMap((of): Effect[] => {
    const names = [...new Set(lines.flatMap((l) => ways[of](l) ?? []))].map((name) => ({
      name,
      rate: rateOf(lines.filter((l) => ways[of](l) === name)),
    }));
    const [one, other] = names
      .filter((n) => n.rate.judged > 0)
      .sort((a, b) => b.rate.judged - a.rate.judged);
    const change = one && other && rateChange(one.rate, other.rate);
    return change ? [{ of, one, other, change }] : [];
  });
}

/** What was felt against what the film says, over bouts; share on the lead foot, %. */
export function feltAgainst(
  pairs: readonly { felt: number; estimated: number; u: number }[],
): { n: number; middle: number; low: number; high: number } | null {
  if (!pairs.length) return null;
  const off = pairs.map((p) => p.felt - p.estimated).sort((a, b) => a - b);
  return {
    n: off.length,
    middle: median(off),
    low: off[Math.floor((off.length - 1) * 0.25)]!,
    high: off[Math.ceil((off.length - 1) * 0.75)]!,
  };
}
