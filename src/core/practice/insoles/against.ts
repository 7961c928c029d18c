import type { RepSeries } from "../../reps";
import type { SideName } from "../../track";
import { insoleShare, readAt, sidesOf, type InsoleReading } from "./reading";

/** What insoles measured of a rep, beside what was estimated from its film. */
export interface AgainstInsoles {
  /**
   * Share on the lead foot by the insoles at the times of the series, %; null where they tell
   * nothing.
   */
  leadShare: (number | null)[];
  /**
   * Root mean square of estimate less insoles, and their mean difference (+ too far toward the lead
   * foot), percentage points; null where nothing is to be compared.
   */
  rms: number | null;
  bias: number | null;
}

/**
 * A foot with less than this share of the whole load is as good as off the ground, %: where its
 * load lies says nothing. By hand.
 */
const STANDS_FROM = 5;

/** @param laid the insoles' rows of the rep, on the film's clock */
export function against(
  laid: InsoleReading,
  series: Pick<RepSeries, "t" | "leadShare">,
  hand: "left" | "right",
): AgainstInsoles {
  const share = insoleShare(laid, hand);
  const there = series.t.map((ms) => readAt(laid.t, share, ms));
  const off = there.flatMap((v, i) => (Number.isNaN(v) ? [] : [series.leadShare[i]! - v]));
  const mean = (x: number[]) => (x.length ? x.reduce((sum, v) => sum + v, 0) / x.length : null);
  const square = mean(off.map((v) => v * v));
  return {
    leadShare: there.map((v) => (Number.isNaN(v) ? null : v)),
    rms: square === null ? null : Math.sqrt(square),
    bias: mean(off),
  };
}

/** Share on the lead foot at a time, %; null outside the reading. */
export function shareAt(laid: InsoleReading, hand: "left" | "right", ms: number): number | null {
  const v = readAt(laid.t, insoleShare(laid, hand), ms);
  return Number.isNaN(v) ? null : v;
}

/**
 * Where along a foot its load lies at a time, 0 heel to 100 toe (docs/movement.md, leadHeelToe and
 * trailHeelToe); null while it hardly bears any.
 */
export function heelToe(
  laid: InsoleReading,
  hand: "left" | "right",
  foot: SideName,
  ms: number,
): number | null {
  const sides = sidesOf(laid, hand);
  const at = (side: SideName) =>
    [readAt(laid.t, sides[side].heel, ms), readAt(laid.t, sides[side].toe, ms)] as const;
  const [heel, toe] = at(foot);
  const [heel2, toe2] = at(foot === "lead" ? "trail" : "lead");
  const own = heel + toe;
  return own > 0 && (100 * own) / (own + heel2 + toe2) >= STANDS_FROM ? (100 * toe) / own : null;
}
