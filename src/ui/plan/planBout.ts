import type { KeptBout } from "@/core/practice/plan/week";

/** A planned bout with its words. */
export interface PlanBout extends KeptBout {
  name: string;
  stage: string | null;
  reason: string;
}
