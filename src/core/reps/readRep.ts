import type { Motion } from "../motion";
import { readCycle } from "./kinds/cycle";
import { readHold } from "./kinds/hold";
import { readPivot } from "./kinds/pivot";
import { readSwing } from "./kinds/swing";
import type { Rep, RepContext } from "./rep";
import type { RepWindow } from "./window";

/**
 * Reads the rep of a window. Swings, steps and gestures are read in their own part of the motion
 * (see `slice`), cycles, pivots and holds in the whole. Null when there is none.
 */
export function readRep(m: Motion, window: RepWindow, context: RepContext): Rep | null {
  switch (context.rules.kind) {
    case "cycle":
      return readCycle(m, window, context);
    case "pivot":
      return readPivot(m, window, context);
    case "hold":
      return readHold(m, window, context);
    default:
      return readSwing(m, window.about - window.from, context);
  }
}
