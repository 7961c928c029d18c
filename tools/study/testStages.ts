import type { Check, Stage } from "../../src/core/drills";
import type { MeasureId } from "../../src/core/measures";
import type { View } from "../../src/core/scene/view";
import type { RepKind, RepRules } from "../../src/core/reps/rep";

/**
 * One check as a stage of its own, with a band that a drill carries: what one measure can decide,
 * apart from any drill.
 */
export interface TestCheck {
  measure: MeasureId;
  band: readonly [number | null, number | null];
  scales: readonly [boolean, boolean];
  target: number;
  fault: number;
  view: View;
  kinds: readonly RepKind[];
}

const check = (
  measure: MeasureId,
  band: readonly [number | null, number | null],
  target: number,
  fault: number,
  more: Partial<TestCheck> = {},
): TestCheck => ({
  measure,
  band,
  target,
  fault,
  scales: [false, false],
  view: "face-on",
  kinds: ["swing", "step-swing"],
  ...more,
});
const BODY = { scales: [true, true] as const };
const BEHIND = { view: "down-the-line" as const, scales: [true, true] as const };

/** Bands, targets and faults of the drills' checks, for a golfer of 178 cm. */
export const TEST_CHECKS: readonly TestCheck[] = [
  check("pelvisSway", [null, 4], 1.5, 7, BODY),
  check("headDrift", [null, 8], 4, 12, BODY),
  check("pelvisSlide", [null, 8], 4, 12, BODY),
  check("footGapAddress", [null, 18], 10, 26, BODY),
  check("leadShareAddress", [60, null], 78, 44),
  check("trailSharePeak", [60, null], 76, 44),
  check("recentreBeforeTop", [-60, null], 20, -170),
  check("leadShareImpact", [60, null], 76, 42),
  check("leadShareFinish", [72, null], 90, 54),
  check("leadStepLength", [15, null], 26, 8, { ...BODY, kinds: ["step-swing"] }),
  check("leadLandBeforeTop", [60, null], 250, -60, { kinds: ["step-swing"] }),
  check("trailStepLength", [-16, -4], -9, -24, { kinds: ["step-swing"] }),
  check("trailStepBeforeHands", [-20, null], 100, -150, { kinds: ["step-swing"] }),
  check("trailHeelUpAt", [50, null], 92, 15),
  check("crossBeforeTrailHeelUp", [0, null], 200, -150),
  check("sideTiltChange", [-6, null], 2, -15),
  check("trailFootFlatForAddressToTop", [85, null], 100, 50),
  check("slideBeforeHands", [40, null], 140, -40),
  check("pelvisTHalfwayDown", [2, 12], 6, -3, BODY),
  check("leadSharePeakBeforeHands", [70, null], 90, 52),
  check("trailKneeOut", [null, 4], -2, 9, BODY),
  check("holdTime", [2, null], 2.6, 1.2),
  check("groundLeadsHands", [80, 400], 180, 0, { kinds: ["cycle"] }),
  check("leadShareRelease", [65, null], 85, 46, { kinds: ["gesture"] }),
  check("trailFootTurn", [60, null], 90, 30, { kinds: ["pivot"] }),
  check("trailHeelTravel", [null, 5], 1, 9, { kinds: ["pivot"] }),
  check("hipsToBall", [null, 2], -3, 6, BEHIND),
  check("hipsToBallTop", [null, 1], -3, 5, BEHIND),
  check("bendChange", [-9, 12], -1, -18, { view: "down-the-line" }),
];

export function stageOf(c: TestCheck, rules: RepRules): Stage {
  const only: Check = {
    id: c.measure,
    name: c.measure,
    measure: c.measure,
    band: c.band,
    scales: c.scales,
    target: c.target,
    fault: c.fault,
    level: "must",
    point: true,
    phase: "impact",
    below: { cue: "More", next: "More of it." },
    above: { cue: "Less", next: "Less of it." },
  };
  return {
    id: c.measure,
    name: c.measure,
    view: c.view,
    main: true,
    rules,
    actions: [],
    checks: [only],
  };
}
