import { APART, benchUOf, mustMargins } from "./mustRule";
import type { Check, Stage } from "./drill";

export interface Untellable {
  /** Half the interval that a phone gives this measure, in its unit: 2u of the accuracy bench. */
  within: number;
  /** Between both limits there is no room for that interval: nothing can pass. */
  shut: boolean;
  words: string;
}

/**
 * What a phone can't tell of a check's band, by the accuracy bench; null where it can, or where the
 * bench has no figure.
 *
 * @example untellable({ ...check, band: [3, 4] }, stage)?.words // "Limits 1.0 apart, but a phone
 * tells this within ± 1.2: nothing can pass."
 */
export function untellable(
  check: Check,
  stage: Pick<Stage, "view" | "rules" | "actions">,
): Untellable | null {
  const u = benchUOf(check, stage);
  if (u === null) return null;
  const within = 2 * u;
  const [lo, hi] = check.band;
  const say = (words: string, shut = false): Untellable => ({ within, shut, words });
  const show = (v: number) => (Math.abs(v) < 10 ? v.toFixed(1) : v.toFixed(0));
  if (lo !== null && hi !== null && lo < hi && hi - lo <= 2 * within)
    return say(
      `The limits are ${show(hi - lo)} apart, but a phone tells this within ± ${show(within)}: nothing can pass.`,
      true,
    );
  if (check.level !== "must") return null;
  const { target, fault } = mustMargins(check, u);
  if (target < APART)
    return say(
      `The target, ${show(check.target)}, lies ${target < 0 ? "outside" : `only ${show(target * u)} inside`}, and a phone tells this within ± ${show(within)}: good reps will often be too close to call.`,
    );
  if (fault < APART)
    return say(
      `The named fault, ${show(check.fault)}, lies ${fault < 0 ? "inside" : `only ${show(fault * u)} outside`}, and a phone tells this within ± ${show(within)}: it will often not be told.`,
    );
  return null;
}
