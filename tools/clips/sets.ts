import type { ClipSpec } from "./clip";
import { BOUTS } from "./boutSet";
import { DEMO } from "./demoSet";
import { DRILL_CLIPS } from "./drillSet";
import { POINT_CLIPS } from "./pointSet";
import { TURN_CLIPS } from "./turnSet";
import { CONDITIONS, FIT, REPORT, SPOILED } from "./studySets";

/** Every set of clips that can be made, by name. */
export const SETS: Record<string, ClipSpec[]> = {
  demo: DEMO,
  bouts: BOUTS,
  drills: DRILL_CLIPS,
  points: POINT_CLIPS,
  turns: TURN_CLIPS,
  fit: FIT,
  report: REPORT,
  conditions: CONDITIONS,
  spoiled: SPOILED,
};
