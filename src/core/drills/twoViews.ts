import type { View } from "../scene";
import type { Drill, Stage } from "./drill";

/**
 * Which of a drill's parts a stage is: one that is filmed from two views is done in two
 * (docs/movement.md, verdict rule 1).
 */
export interface ViewPart {
  number: number;
  of: number;
  /** The part after it. */
  next: { stage: string; view: View } | null;
}

/**
 * @returns null for a stage that stands alone
 * @example partOf(findStage("heel-on-prop").drill, "whole-fo") // { number: 1, of: 2, next: {
 * stage: "whole-dtl", view: "down-the-line" } }
 */
export function partOf({ stages }: Drill, stageId: Stage["id"]): ViewPart | null {
  const parts = stages.filter((s) => s.main);
  const at = parts.findIndex((s) => s.id === stageId);
  if (at < 0 || new Set(parts.map((s) => s.view)).size < 2) return null;
  const next = parts[at + 1];
  return {
    number: at + 1,
    of: parts.length,
    next: next ? { stage: next.id, view: next.view } : null,
  };
}
