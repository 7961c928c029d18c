import type { Check, Drill } from "../drills";
import { CATALOGUE, type MeasureId } from "../measures/catalogue";

/** What feet do in any swing; the rest of them belongs to a drill's set-up or step. */
const FEET_OF_ANY_SWING: ReadonlySet<MeasureId> = new Set<MeasureId>([
  "trailHeelUpAt",
  "heelRiseMatch",
  "trailHeelHeightFinish",
  "trailFootRoll",
  "trailFootTravelTopToImpact",
  "leadFootTravelTopToImpact",
  "leadFootTravelImpactToFinish",
  "leadFootTurnAddressToFinish",
  "trailFootFlatForAddressToTop",
]);

/**
 * Whether a drill's check also says something about an ordinary swing (DRILLS 32): sway, posture,
 * knees, weight, order and heels do; set-up, starting actions, steps, landings, holds and props do
 * not.
 */
export function isCarried({ measure, phase }: Check): boolean {
  const { family } = CATALOGUE[measure];
  if (family === "balance" || measure === "propDropAt") return false;
  if (family === "feet") return FEET_OF_ANY_SWING.has(measure);
  return family === "order" || (phase !== "set-up" && phase !== "action");
}

/** Those checks of a drill's main stages; advice says nothing here. */
export const carriedChecks = (drill: Drill): Check[] =>
  drill.stages
    .filter((s) => s.main)
    .flatMap((s) => s.checks)
    .filter((c) => c.level !== "advice" && isCarried(c));
