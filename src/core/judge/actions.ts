import type { Motion } from "../motion";
import type { RequiredAction, Stage } from "../drills";
import { type MeasureId, stepOf } from "../measures";
import type { Rep } from "../reps";
import type { SideName } from "../track";
import type { ActionVerdict, Measured } from "./verdict";

/** A pace after the strike begins within this, ms. */
export const WALK_MS = 1200;

type Result = ActionVerdict["result"];

/** The shortest step that a drill asks for is in the air for about this long, ms. */
const SHORTEST_STEP_MS = 280;
/** A foot that is up in fewer looks than this can't be told from a point that jumped. */
const LOOKS_PER_STEP = 3;
/** The golfer is seen in at least this share of the looks. */
const WELL_SEEN = 0.9;

/**
 * Whether looks this far apart would have shown a step: a device that looks less often can't say
 * that there was none.
 *
 * @param lookMs from one look to the next, ms
 */
const wouldShowStep = (lookMs: number): boolean => lookMs * LOOKS_PER_STEP <= SHORTEST_STEP_MS;

/** Looks a second under which steps stay open. */
export const LOOKS_FOR_STEPS = (1000 * LOOKS_PER_STEP) / SHORTEST_STEP_MS;

/** The same of one stage: 0 where it asks for no step. */
export const looksForSteps = ({ actions }: Pick<Stage, "actions">): number =>
  actions.some((a) => a.need.kind !== "measure") ? LOOKS_FOR_STEPS : 0;

/** A foot's staying can only be told when it was followed through the rep, often enough. */
function staying(m: Motion, rep: Rep, foot: SideName): Result {
  const from = Number.isNaN(rep.events.address) ? rep.fromMs : rep.events.address;
  const covered = m.feet[foot].spells.some((s) => s.fromMs <= from && s.toMs >= from);
  return covered && m.seen > WELL_SEEN && wouldShowStep(m.dt * 1000) ? "missing" : "not seen";
}

function result(
  { need }: RequiredAction,
  m: Motion,
  rep: Rep,
  measures: Record<MeasureId, Measured>,
): Result {
  switch (need.kind) {
    case "step": {
      const step = "before" in need ? stepOf(rep, need.foot) : stepOf(rep, need.foot, WALK_MS);
      const limit = "before" in need ? rep.events[need.before] : rep.events[need.after];
      const early =
        "before" in need &&
        need.fromTop !== undefined &&
        step !== null &&
        step.liftOff < rep.events.top + need.fromTop;
      const timely =
        step &&
        !early &&
        (Number.isNaN(limit) || ("before" in need ? step.liftOff < limit : step.landing > limit));
      return timely ? "done" : staying(m, rep, need.foot);
    }
    case "bothLand": {
      const still = (["lead", "trail"] as const).filter(
        (foot) => !rep.footEvents.some((e) => e.foot === foot && e.event === "landing"),
      );
      return still.length === 0
        ? "done"
        : still.map((foot) => staying(m, rep, foot)).includes("missing")
          ? "missing"
          : "not seen";
    }
    case "measure":
      return reached(need, measures);
  }
}

/** Whether a measure that tells an action reached its size. */
export function reached(
  { measure, atLeast }: Extract<RequiredAction["need"], { kind: "measure" }>,
  measures: Partial<Record<MeasureId, Measured>>,
): Result {
  const { value = null, u = null, state } = measures[measure] ?? {};
  if (state !== "measured" || value === null || u === null) return "not seen";
  return value >= atLeast ? "done" : value + 2 * u < atLeast ? "missing" : "not seen";
}

/** What became of every action that a stage asks for. */
export const actionsOf = (
  stage: Stage,
  m: Motion,
  rep: Rep,
  measures: Record<MeasureId, Measured>,
): ActionVerdict[] => stage.actions.map((a) => ({ id: a.id, result: result(a, m, rep, measures) }));
