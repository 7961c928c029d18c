import type { Drill } from "@/core/drills";
import type { KeptBout } from "@/core/practice";
import { whyWords } from "./whyWords";

/** A planned bout with its words. */
export interface PlanBout extends KeptBout {
  name: string;
  stage: string | null;
  reason: string;
}

/** A drill's name; of one that is not there any more its id. */
export const drillName = (drills: readonly Drill[], id: string): string =>
  drills.find((d) => d.id === id)?.name ?? id;

/** Planned bouts with the words of their drills. */
export const planBouts = (bouts: readonly KeptBout[], drills: readonly Drill[]): PlanBout[] =>
  bouts.map((b) => ({
    ...b,
    name: drillName(drills, b.drillId),
    stage:
      drills.find((d) => d.id === b.drillId)?.stages.find((s) => s.id === b.stageId)?.name ?? null,
    reason: whyWords(b.why, (id) => drillName(drills, id)),
  }));
