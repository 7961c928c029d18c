import benchU from "./benchU.json" with { type: "json" };
import type { Check, Drill, Stage } from "./drill";

/**
 * Standard uncertainties of a measure at 720p60 as the accuracy bench found them, by sort of rep;
 * null where no rep had one.
 */
interface BenchU {
  planted: number | null;
  step: number | null;
  behind: number | null;
}

/**
 * A must's target lies at least this many u inside its band, its named fault as many outside
 * (docs/movement.md, verdict rule 2).
 */
export const APART = 3;

/** u that the bench gives a check in its stage: null where the bench has no such rep. */
export function benchUOf(
  check: Pick<Check, "measure">,
  stage: Pick<Stage, "view" | "rules" | "actions">,
): number | null {
  const u = (benchU as Record<string, BenchU>)[check.measure];
  if (!u) return null;
  if (stage.view === "down-the-line") return u.behind;
  const steps =
    stage.rules.kind === "step-swing" || stage.actions.some((a) => a.need.kind !== "measure");
  return steps ? (u.step ?? u.planted) : (u.planted ?? u.step);
}

/**
 * How far a check is from what a must needs, in u: target inside and fault outside the band. Both ≥
 * 3 allow a must.
 */
export function mustMargins(check: Check, u: number): { target: number; fault: number } {
  const [lo, hi] = [check.band[0] ?? -Infinity, check.band[1] ?? Infinity];
  const inside = (v: number) => Math.min(v - lo, hi - v) / u;
  return { target: inside(check.target), fault: -inside(check.fault) };
}

/** Musts of a drill that the picture can't carry, with their margins. */
export function brokenMusts(drill: Drill): string[] {
  return drill.stages.flatMap((stage) =>
    stage.checks
      .filter((c) => c.level === "must")
      .flatMap((c) => {
        const u = benchUOf(c, stage);
        if (u === null) return [`${drill.id} ${stage.id} ${c.id}: the bench has no ${c.measure}`];
        const m = mustMargins(c, u);
        return m.target >= APART && m.fault >= APART
          ? []
          : [
              `${drill.id} ${stage.id} ${c.id}: target ${m.target.toFixed(1)} u inside, fault ${m.fault.toFixed(1)} u outside (u ${u.toFixed(1)})`,
            ];
      }),
  );
}
