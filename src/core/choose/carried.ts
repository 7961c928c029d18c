import { type Check, decides, type Drill } from "../drills";
import { CATALOGUE } from "../measures";

/**
 * Whether a drill's check also says something about an ordinary swing: its measure does, and it is
 * no set-up or starting action.
 */
export function isCarried({ measure, phase }: Check): boolean {
  const { family, ofAnySwing } = CATALOGUE[measure];
  if (!ofAnySwing) return false;
  return family === "order" || family === "feet" || (phase !== "set-up" && phase !== "action");
}

/** Those checks of a drill's main stages; advice says nothing here. */
export const carriedChecks = (drill: Drill): Check[] =>
  drill.stages
    .filter((s) => s.main)
    .flatMap((s) => s.checks)
    .filter((c) => decides(c) && isCarried(c));
