import type { Drill, Stage } from "./drill";
import { all } from "./library/all";

/** The built-in drills, in the catalogue's order. */
export const DRILLS: readonly Drill[] = [...all].sort((a, b) => a.number - b.number);

/** The baseline: a golfer's normal swings. */
export const BASELINE = "normal-swing";

/**
 * A drill's stage by id, or its main stage for the view.
 *
 * @throws RangeError naming what there is
 */
export function findStage(drillId: string, stageId?: string): { drill: Drill; stage: Stage } {
  const drill = DRILLS.find((d) => d.id === drillId);
  if (!drill)
    throw new RangeError(
      `no drill named ${drillId}; there are: ${DRILLS.map((d) => d.id).join(", ")}, none`,
    );
  return { drill, stage: stageOf(drill, stageId) };
}

/**
 * A stage of a drill by id, or its main one.
 *
 * @throws RangeError naming what there is
 */
export function stageOf(drill: Drill, stageId?: string): Stage {
  const stage =
    stageId === undefined
      ? drill.stages.find((s) => s.main)
      : drill.stages.find((s) => s.id === stageId);
  if (!stage)
    throw new RangeError(
      `${drill.id} has no stage ${stageId}; there are: ${drill.stages.map((s) => s.id).join(", ")}`,
    );
  return stage;
}

/** A check's band for one golfer, in the measure's unit. */
export function bandFor(
  check: Stage["checks"][number],
  statureCm: number,
): [number | null, number | null] {
  const k = statureCm / 178;
  const [lo, hi] = check.band;
  return [
    lo === null ? null : check.scales[0] ? lo * k : lo,
    hi === null ? null : check.scales[1] ? hi * k : hi,
  ];
}
