"use client";

import { useMemo } from "react";
import type { RepDetail } from "@/server/reps/queries";
import { CompareView } from "@/ui/compare/compareView";
import type { AskedAtRange } from "./atRange";
import { NotHere } from "./notHere";
import { useReps } from "./useRep";

const NOTHING_BESIDE: readonly never[] = [];

/** Two reps of this phone laid over each other. */
export function CompareAtRange({ snapshot, bouts, asked }: AskedAtRange) {
  const which = asked.get("reps") ?? "";
  const ids = useMemo(() => [...new Set(which.split(",").filter(Boolean))].slice(0, 4), [which]);
  const found = useReps(ids, bouts, snapshot);
  const reps = useMemo(
    () => (found === "asking" ? found : found.filter((r): r is RepDetail => r !== null)),
    [found],
  );
  if (reps === "asking") return <p className="mt-10 text-ink-2">The reps are being worked out.</p>;
  return reps.length < 2 ? (
    <NotHere what="One of these reps" />
  ) : (
    <CompareView reps={reps} target={null} besides={NOTHING_BESIDE} />
  );
}
