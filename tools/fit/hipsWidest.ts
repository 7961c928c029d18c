import { mean } from "../../src/core/maths/stats";
import { MOTION_FIT } from "../../src/core/motion/fitted";
import { compare, pairs } from "../study/compare";
import type { TruthClip } from "../study/truthClip";
import { BARE } from "./errorTable";

const TRIED = [1.15, 1.1, 1.06, 1.045, 1.03, 1.02, 1.01];

/** Errors of sway and slide together for several limits on the outline's width at the hips. */
export function hipsWidest(clips: readonly TruthClip[]): void {
  const now = MOTION_FIT.hipsWidest;
  const lines = TRIED.map((tried) => {
    MOTION_FIT.hipsWidest = tried;
    const found = pairs(clips.map((c) => compare(c, { samples: 2, errors: BARE }))).measures;
    const errors = (["pelvisSway", "pelvisSlide"] as const).flatMap((id) => (found.get(id) ?? []).map((p) => p.value - p.truth));
    return `${tried}: ${Math.sqrt(mean(errors.map((e) => e * e))).toFixed(3)} cm (${errors.length})`;
  });
  MOTION_FIT.hipsWidest = now;
  console.log(`motion.hipsWidest ${lines.join(", ")} (now ${now})`);
}
