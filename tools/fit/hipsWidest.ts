import { MOTION_FIT } from "../../src/core/motion/fitted";
import { compare, pairs } from "../study/compare";
import type { TruthClip } from "../study/truthClip";
import { BARE } from "./errorTable";
import { tried } from "./tried";

/** Errors of sway and slide together for several limits on the outline's width at the hips. */
export function hipsWidest(clips: readonly TruthClip[]): void {
  tried(
    "motion",
    MOTION_FIT,
    "hipsWidest",
    [1.15, 1.1, 1.06, 1.045, 1.03, 1.02, 1.01],
    "cm",
    () => {
      const found = pairs(clips.map((c) => compare(c, { samples: 2, errors: BARE }))).measures;
      return (["pelvisSway", "pelvisSlide"] as const).flatMap((id) =>
        (found.get(id) ?? []).map((p) => p.value - p.truth),
      );
    },
  );
}
