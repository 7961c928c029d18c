import { useEffect, useState } from "react";
import type { RangeSnapshot } from "@/server/range/snapshot";
import type { RepDetail } from "@/server/reps/queries";
import { repHere, type BoutHere } from "./keptReps";

/** Reps that were asked for, as this phone reckons them: null for one that it can't tell. */
export type RepsHere = readonly (RepDetail | null)[] | "asking";

/** @param ids the same array while they are the same reps */
export function useReps(
  ids: readonly string[],
  bouts: readonly BoutHere[],
  snapshot: RangeSnapshot,
): RepsHere {
  const [found, setFound] = useState<{ of: readonly string[]; reps: RepsHere } | null>(null);
  useEffect(() => {
    let current = true;
    void Promise.all(
      ids.map(async (id) => {
        const bout = bouts.find((b) =>
          b.rows.some((r) => r.reps.some((rep) => rep.id === id && !rep.withdrawn)),
        );
        return bout ? repHere(bout, id, snapshot).catch(() => null) : null;
      }),
    ).then((reps) => current && setFound({ of: ids, reps }));
    return () => {
      current = false;
    };
  }, [ids, bouts, snapshot]);
  return found?.of === ids ? found.reps : "asking";
}
