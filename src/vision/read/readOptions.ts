import type { Asked } from "../anytime";

export interface ReadOptions {
  faceOn: boolean;
  /** Left out: every picture is read. */
  asked?: Asked | undefined;
  /** Called as pictures are read. */
  progress?: (far: ReadSoFar) => void;
  signal?: AbortSignal;
}

/** How far reading is. */
export interface ReadSoFar {
  /**
   * Share of the work that is done, 0–1: an estimate while it finds the golfer and while it looks
   * closer.
   */
  share: number;
  /** Pictures gone through, of how many. */
  done: number;
  total: number;
  /**
   * Finding the golfer; reading; all pictures were gone through, and what decides the checks is
   * looked at more closely.
   */
  phase: "finding" | "reading" | "closer";
}
