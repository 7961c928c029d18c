import type { Motion } from "../motion";
import {
  type FootEvent,
  readRep,
  type RepContext,
  hangTogether,
  nearest,
  slice,
  type Overrides,
  type RepWindow,
  pressureSmoother,
} from "../reps";
import { eventError, FITTED, footEventError } from "../uncertainty";
import type { FoundRep } from "./readReps";
import { sortOf } from "./sort";
import type { AnalysisRequest } from "./options";

/**
 * Reads a rep again with the golfer's corrections. The method reads each kind of event a little
 * late or early, and its report takes that offset off again; so a correction gets the same offset
 * first.
 *
 * @returns null when no rep is left
 */
export function overriddenRep(
  { motion, window, context, rep }: FoundRep,
  overrides: Overrides,
  whole: Motion,
  { options, view }: AnalysisRequest,
): FoundRep | null {
  const errors = options.errors ?? FITTED;
  const sort = sortOf(view, rep);
  const late = (event: FootEvent["event"], ms: number | null) =>
    ms === null ? null : ms + footEventError(errors, { event }).offset;
  const shifted: Overrides = {
    ...overrides,
    events: Object.fromEntries(
      Object.entries(overrides.events ?? {}).map(([name, t]) => [
        name,
        t + eventError(errors, name, sort).offset,
      ]),
    ),
    feet: (overrides.feet ?? []).map((f) => ({
      ...f,
      from: late(f.event, f.from),
      to: late(f.event, f.to),
    })),
  };
  const cut = overrides.split && windowOf(overrides.split, whole, window);
  const own = cut && !hangTogether(context.rules) ? slice(whole, cut) : motion;
  const again: RepContext = {
    ...context,
    overrides: shifted,
    smoother:
      own.n === motion.n ? context.smoother : pressureSmoother(own, context.rules.kind === "cycle"),
  };
  const now = readRep(own, cut ?? window, again);
  return now && { motion: own, window: cut ?? window, context: again, rep: now };
}

/**
 * A window between two times of the whole motion; looked into where the rep was, if that is in it.
 */
function windowOf(
  { from, to }: { from: number; to: number },
  whole: Motion,
  before: RepWindow,
): RepWindow {
  const [a, b] = [nearest(whole, from), nearest(whole, to)];
  const within = (i: number) => i > a && i < b;
  return {
    from: a,
    to: b,
    about: within(before.about) ? before.about : (a + b) >> 1,
    ...(before.low === undefined ? {} : { low: within(before.low) ? before.low : b }),
  };
}
