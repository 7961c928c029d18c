import type { Scene } from "../scene";
import type { Stood } from "./stood";

/** What is looked at before the first rep, in the order in which it is put right. */
export const AIM_STEPS = ["you", "feet", "square", "level", "light"] as const;
export type AimStep = (typeof AIM_STEPS)[number];

/**
 * What may be wrong with how the phone stands, or the golfer before it; each has its own words on
 * screen.
 */
export type AimFault =
  | "nobody"
  | "several"
  | "feet cut off"
  | "head cut off"
  | "too far"
  | "too near"
  | "beside left"
  | "beside right"
  | "wrong view"
  | "askew"
  | "rolled"
  | "dark"
  | "slow";

/** The first thing that is wrong. */
export interface AimWrong {
  step: AimStep;
  fault: AimFault;
  /**
   * How far off, in the fault's own unit: degrees (+ = the phone is turned clockwise as its screen
   * is seen), or pictures a second.
   */
  by: number | null;
  /** No rep could be judged so; else it only tells less. */
  blocks: boolean;
}

/**
 * Whether a step is right; what can't be told yet is open, what nothing here can tell is
 * unmeasured.
 */
export type AimState = "right" | "wrong" | "open" | "unmeasured";

/** How the phone stands. */
export interface Aim {
  steps: Record<AimStep, AimState>;
  wrong: AimWrong | null;
  /**
   * What was told of a golfer who stands: the size of a pixel (cm, with its standard uncertainty),
   * and where they stand.
   */
  told: { scale: Scene["scale"]; stood: Stood } | null;
}
