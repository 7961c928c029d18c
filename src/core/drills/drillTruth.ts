import { bandFor } from "./builtIn";
import type { Fault, Stage } from "./drill";
import { decides, PHASES } from "./drill";
import { body, type MovementScript, simulate, truths, type Truth } from "../figure";

/**
 * How far the truth of a movement lies inside each check of a stage; negative = outside. NaN where
 * the movement has no such measure.
 */
export interface Margins {
  value: number;
  inside: number;
}

export const truthsOf = (script: MovementScript, view: Stage["view"], statureCm = 178): Truth[] =>
  truths(simulate(body(statureCm, "male", 1), script), view);

/** As much of a movement's truth as its checks and actions ask for. */
export type Judgeable = Pick<Truth, "measures" | "events"> & {
  footEvents: readonly { foot: "lead" | "trail"; event: string; t: number }[];
};

export function margins(
  stage: Stage,
  truth: Pick<Truth, "measures">,
  statureCm = 178,
): Map<string, Margins> {
  return new Map(
    stage.checks.map((c) => {
      const [lo, hi] = bandFor(c, statureCm);
      const value = truth.measures[c.measure] ?? NaN;
      return [
        c.id,
        { value, inside: Math.min(value - (lo ?? -Infinity), (hi ?? Infinity) - value) },
      ];
    }),
  );
}

/** Whether a required action was truly done. */
export function done(
  need: Stage["actions"][number]["need"],
  { measures, footEvents, events }: Judgeable,
): boolean {
  switch (need.kind) {
    case "measure":
      return (measures[need.measure] ?? -Infinity) >= need.atLeast;
    case "bothLand":
      return (["lead", "trail"] as const).every((foot) =>
        footEvents.some((e) => e.foot === foot && e.event === "landing"),
      );
    case "step": {
      const own = footEvents.filter((e) => e.foot === need.foot);
      return "before" in need
        ? own.some(
            (e) =>
              e.event === "liftOff" &&
              e.t < (events[need.before] ?? Infinity) &&
              e.t >= (events.top ?? -Infinity) + (need.fromTop ?? -Infinity),
          )
        : own.some((e) => e.event === "landing" && e.t > (events[need.after] ?? Infinity));
    }
  }
}

/** The faults of a stage that can fail a rep: one that only advice tells can not. */
export const failingFaults = (stage: Stage): readonly Fault[] =>
  (stage.faults ?? []).filter((f) => stage.checks.every((c) => c.id !== f.fails || decides(c)));

/** Id of the action, must or limit whose cue a movement should get; null when it is good. */
export function dueCue(stage: Stage, truth: Judgeable, statureCm = 178): string | null {
  const missing = stage.actions.find((a) => !done(a.need, truth));
  if (missing) return missing.id;
  const inside = margins(stage, truth, statureCm);
  const deciding = stage.checks
    .filter(decides)
    .sort((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase));
  return deciding.find((c) => inside.get(c.id)!.inside < 0)?.id ?? null;
}
