import { AIM_STEPS, type Aim } from "../../core/film";

/** Whether two aims read the same on the page, which need not hear of the second then. */
export const sameAim = (a: Aim, b: Aim): boolean =>
  AIM_STEPS.every((s) => a.steps[s] === b.steps[s]) &&
  a.wrong?.fault === b.wrong?.fault &&
  Math.round(a.wrong?.by ?? 0) === Math.round(b.wrong?.by ?? 0) &&
  !a.told === !b.told;
