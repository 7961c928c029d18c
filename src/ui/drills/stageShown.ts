import { isJudged, type Stage } from "@/core/drills";
import type { StageShown } from "./drillView";
import type { StandingShown } from "./standing";

/** A stage as its page shows it: without its scripts. */
export const stageShown = (s: Stage, standing?: StandingShown): StageShown => ({
  id: s.id,
  name: s.name,
  view: s.view,
  judged: isJudged(s),
  checks: s.checks,
  faults: (s.faults ?? []).map(({ id, name, tell }) => ({ id, name, tell })),
  ...(s.note ? { note: s.note } : {}),
  ...(standing ? { standing } : {}),
});
