import { samePlace, type Motion } from "../motion";
import { toMs } from "../reps";
import type { MeasuredSide } from "./moments";

/** No foot steps away and back in less, ms. */
const STEP_MS = 150;

/**
 * A foot that stays where it is, also where the network lost it for a moment: directions of two
 * places can't be compared, because its ankle, from which they are measured, differs by more from
 * one place to another.
 */
export function onePlace(m: Motion, side: MeasuredSide, from: number, to: number): boolean {
  const [begin, end] = [toMs(m, from), toMs(m, to)];
  const there = m.feet[side].spells.filter((s) => s.toMs >= begin && s.fromMs <= end);
  const first = there[0];
  return (
    first !== undefined &&
    first.fromMs <= begin &&
    there[there.length - 1]!.toMs >= end &&
    there.every(
      (s, i) => !i || (samePlace(s, there[i - 1]!) && s.fromMs - there[i - 1]!.toMs < STEP_MS),
    )
  );
}
