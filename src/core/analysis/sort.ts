import type { View } from "../scene";
import type { Rep } from "../reps";
import type { Sort } from "../uncertainty";

/** Which fitted errors hold for a rep: those from behind, of a step, or of planted feet. */
export const sortOf = (view: View, rep: Rep): Sort =>
  view === "down-the-line" ? "behind" : stepped(rep) ? "step" : "planted";

/** Whether a foot left the ground before the strike. */
function stepped(rep: Rep): boolean {
  const hit = [rep.events.impact, rep.events.release].find((t) => !Number.isNaN(t)) ?? rep.toMs;
  return rep.footEvents.some((e) => e.event === "liftOff" && e.ms < hit);
}
