import type { Motion } from "../motion/motion";
import type { RequiredAction, Stage } from "../drills";
import { stepOf } from "../measures/steps";
import type { Rep } from "../reps/rep";
import type { ActionVerdict } from "./verdict";

/**
 * Whether a required step was taken: its foot leaves the ground before the event it must precede. Not seen when the
 * foot was not followed through the swing, so that its staying can't be told.
 */
function stepTaken(action: RequiredAction, m: Motion, rep: Rep): ActionVerdict {
  const step = stepOf(rep, action.foot);
  const limit = rep.events[action.before];
  if (step && (Number.isNaN(limit) || step.liftOff < limit)) return { id: action.id, result: "done" };
  const spells = m.feet[action.foot].spells;
  const covered = spells.some((s) => s.fromMs <= rep.events.address && s.toMs >= rep.events.address);
  return { id: action.id, result: covered && m.seen > 0.9 ? "missing" : "not seen" };
}

/** What became of every action that a stage asks for. */
export const actionsOf = (stage: Stage, m: Motion, rep: Rep): ActionVerdict[] => stage.actions.map((a) => stepTaken(a, m, rep));
