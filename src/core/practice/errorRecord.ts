import { median } from "../maths";
import type { Correction } from "../reps";

/** How far the program was off in one sort of event, by the golfer's corrections; ms. */
export interface ErrorRow {
  /** The event; of a foot with its side. */
  what: string;
  /** Moved, put in where nothing was seen, taken away where nothing was. */
  moved: number;
  missed: number;
  madeUp: number;
  /**
   * Of those that were moved: the middle of computed less said, and how many lay within what the
   * program stated (2u).
   */
  middleMs: number | null;
  within: number;
}

const nameOf = (c: Extract<Correction, { kind: "event" | "foot" }>): string =>
  c.kind === "event" ? c.event : `${c.foot} ${c.event}`;

/**
 * The program's own error record: what golfers corrected, by event, the most often corrected first.
 * It tells of what somebody looked at and found wrong, so it is no accuracy of all reps.
 */
export function errorRecord(list: readonly Correction[]): ErrorRow[] {
  const timed = list.flatMap((c) => (c.kind === "event" || c.kind === "foot" ? [c] : []));
  const rows = [...new Set(timed.map(nameOf))].map((what): ErrorRow => {
    const own = timed.filter((c) => nameOf(c) === what);
    const moved = own.flatMap(({ was, now, u }) =>
      was !== null && now !== null ? [{ by: was - now, u }] : [],
    );
    return {
      what,
      moved: moved.length,
      missed: own.filter((c) => c.was === null).length,
      madeUp: own.filter((c) => c.now === null).length,
      middleMs: moved.length ? median(moved.map((m) => m.by)) : null,
      within: moved.filter((m) => m.u !== null && Math.abs(m.by) <= 2 * m.u).length,
    };
  });
  return rows.sort((a, b) => b.moved + b.missed + b.madeUp - (a.moved + a.missed + a.madeUp));
}
