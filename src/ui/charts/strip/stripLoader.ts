import DataLoader from "dataloader";
import type { KeptStrip } from "@/server/reps/strips";

/** Asked for together at most. */
const MOST = 40;

/**
 * Small strips as they are asked for: those of one picture in one request; nothing is kept, for a
 * rep may have been corrected since.
 */
export const stripLoader = new DataLoader<string, KeptStrip | null>(
  async (ids) => {
    const response = await fetch(`/api/strips?reps=${ids.join(",")}`);
    if (!response.ok) throw new Error(`The computer answered ${response.status}.`);
    const strips = (await response.json()) as Record<string, KeptStrip>;
    return ids.map((id) => strips[id] ?? null);
  },
  { cache: false, maxBatchSize: MOST, batchScheduleFn: (go) => void requestAnimationFrame(go) },
);
