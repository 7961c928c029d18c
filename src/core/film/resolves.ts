import { type Check, type Stage, APART, benchUOf, mustMargins } from "../drills";
import { resample } from "../maths";
import { CATALOGUE } from "../measures";
import type { FilmPlan } from "./plan";
import setUpU from "./setUpU.json" with { type: "json" };

/** What a set-up can say of a check: of most reps, of clear ones alone, or of none. */
type Resolution = "tells" | "coarsely" | "can't";

export interface Resolved {
  check: Check;
  resolution: Resolution;
  /** Half the interval that the set-up gives, in the measure's unit: 2u. */
  within: number;
}

/**
 * What a set-up resolves of a stage's checks; those that the accuracy bench has no figure for are
 * left out. A check is told as a must is (target and named fault 3u from the limit), coarsely while
 * both are 2u from it, and not at all below.
 *
 * @example resolves(stage, { cmPerPx: 0.6, msPerFrame: 33.3 }) // farther off, at 30 pictures a
 * second
 */
export function resolves(
  stage: Pick<Stage, "view" | "rules" | "actions" | "checks">,
  plan: Pick<FilmPlan, "cmPerPx" | "msPerFrame">,
): Resolved[] {
  return stage.checks.flatMap((check) => {
    const usual = benchUOf(check, stage);
    if (usual === null) return [];
    const u =
      usual *
      (CATALOGUE[check.measure].unit === "ms"
        ? ratio(setUpU.times, plan.msPerFrame)
        : ratio(setUpU.places, plan.cmPerPx));
    const { target, fault } = mustMargins(check, u);
    const least = Math.min(target, fault);
    return [
      {
        check,
        within: 2 * u,
        resolution: least >= APART ? "tells" : least >= COARSE ? "coarsely" : "can't",
      } satisfies Resolved,
    ];
  });
}

/**
 * Nearer to a limit than this, in u, nothing is sure (docs/movement.md, verdict rule 2: a verdict
 * wants 2u).
 */
const COARSE = 2;

/**
 * How much larger uncertainties are than the accuracy bench's (`npm run bench:setup`); beyond what
 * was filmed they grow as the pixel or the time does.
 */
function ratio(rows: readonly { at: number; ratio: number }[], at: number): number {
  const last = rows.at(-1)!;
  if (at > last.at) return (last.ratio * at) / last.at;
  return resample(
    Float64Array.from(rows, (r) => r.at),
    rows.map((r) => r.ratio),
    Math.max(at, rows[0]!.at),
    1,
    1,
  )[0]!;
}
