import { conflicts, type Conflict } from "../../choose";
import type { Drill } from "../../drills";
import type { Day, PlannedBout } from "./week";

/** Two drills of one day that pull against each other, and why. */
export interface Clash {
  day: Day;
  one: string;
  other: string;
  conflicts: Conflict[];
}

const known = new Map<string, Conflict[]>();

/** `conflicts` of two drills as they stand, looked up once. */
export function conflictsOf(a: Drill, b: Drill): Conflict[] {
  const key = `${a.id} ${a.version} ${b.id} ${b.version}`;
  let found = known.get(key);
  if (!found) known.set(key, (found = conflicts(a, b)));
  return found;
}

/**
 * The pairs that a plan puts on one day though they pull against each other: a golfer may, but is
 * told. @param drillOf by id; null for one that is not there any more
 */
export function clashes(
  bouts: readonly PlannedBout[],
  drillOf: (id: string) => Drill | null,
): Clash[] {
  const out: Clash[] = [];
  for (const [i, a] of bouts.entries())
    for (const b of bouts.slice(i + 1)) {
      if (
        a.day !== b.day ||
        a.drillId === b.drillId ||
        out.some(
          (c) =>
            c.day === a.day &&
            [c.one, c.other].includes(a.drillId) &&
            [c.one, c.other].includes(b.drillId),
        )
      )
        continue;
      const [one, other] = [drillOf(a.drillId), drillOf(b.drillId)];
      const found = one && other ? conflictsOf(one, other) : [];
      if (found.length)
        out.push({ day: a.day, one: a.drillId, other: b.drillId, conflicts: found });
    }
  return out;
}
