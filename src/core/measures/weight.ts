import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest, toMs, valueAt } from "../reps/clock";
import { bothDown } from "../reps/share";
import type { RawMeasure } from "./catalogue";

type WeightId = "leadShareAddress" | "leadShareTop" | "leadShareImpact" | "leadShareFinish" | "trailSharePeak" | "recentreBeforeTop";

/** Estimated weight: shares in % on the lead foot (the trail peak on the trail foot), and when it crosses the middle. */
export function weightMeasures(m: Motion, rep: Rep): Record<WeightId, RawMeasure> {
  const { address, top, recentre, impact, finish } = rep.events;
  const share = (ms: number): RawMeasure =>
    Number.isNaN(ms) ? { value: NaN, why: "eventNotFound" } : { value: valueAt(m, rep.leadShare, ms), atMs: ms };
  return {
    leadShareAddress: { value: rep.shareStill, atMs: address },
    leadShareTop: share(top),
    leadShareImpact: share(impact),
    leadShareFinish: share(finish),
    trailSharePeak: trailPeak(m, rep),
    recentreBeforeTop: Number.isNaN(recentre) ? { value: NaN, why: "neverLoaded" } : { value: top - recentre, atMs: recentre },
  };
}

/**
 * Time over which the pressure's smoothing runs a step of the weight into its neighbours, ms: (sd·√dt / jerk)^⅓ of the
 * smoother (analyse.ts). So near a foot's leaving or landing the share is partly that of the foot in the air.
 */
const SMEAR_MS = 90;

/** Largest trail share between hand start and top while both feet are down, clear of the smear of a foot in the air. */
function trailPeak(m: Motion, rep: Rep): RawMeasure {
  let peak = NaN;
  let at = NaN;
  for (let i = nearest(m, rep.events.handStart); i <= nearest(m, rep.events.top); i++) {
    const trail = 100 - rep.leadShare[i]!;
    if (!bothDown(rep.air, toMs(m, i), SMEAR_MS) || trail <= peak) continue;
    peak = trail;
    at = toMs(m, i);
  }
  return Number.isNaN(peak) ? { value: NaN, why: "footNotSeen" } : { value: peak, atMs: at };
}
