import { findStage } from "../../src/core/drills";
import { WARNED_OF } from "../bench/points/warnedOf/all";
import type { ClipSpec } from "./clip";
import { filmed } from "./drillSet";

/**
 * Of each drill the two movements it warns of that came nearest to passing on `npm run
 * bench:points` (docs/bench/points.json, `nearest`), those apart that no phone shows.
 */
const WORST: readonly (readonly [drill: string, stage: string, movement: string])[] = [
  ["feet-together", "whole-fo", "knees"],
  ["feet-together", "whole-fo", "sways"],
  ["trail-toe-behind", "whole-fo", "slides-on"],
  ["trail-toe-behind", "whole-fo", "weight-behind"],
  ["lead-leg-only", "whole-fo", "no-turn"],
  ["lead-leg-only", "whole-fo", "two-feet"],
  ["double-step", "whole-fo", "no-weight"],
  ["double-step", "whole-fo", "sways"],
  ["early-lead-step", "whole-fo", "touches"],
  ["early-lead-step", "whole-fo", "late"],
  ["forward-rock", "whole-fo", "waits"],
  ["forward-rock", "whole-fo", "no-rock"],
  ["rocking-board-side", "faster-fo", "far"],
  ["rocking-board-side", "floor-fo", "far"],
  ["rocking-board-level", "whole-fo", "block"],
  ["rocking-board-level", "whole-fo", "small"],
  ["lead-trail-lead", "whole-fo", "one-way"],
  ["lead-trail-lead", "whole-fo", "third-late"],
  ["quiet-grip-stepping", "grip-fo", "lead-slips"],
  ["quiet-grip-stepping", "grip-fo", "trail-slips"],
  ["hanging-arms-turn", "whole-fo", "no-rock"],
  ["hanging-arms-turn", "with-club-fo", "no-rock"],
  ["heel-toe-swap", "back-fo", "no-turn"],
  ["heel-toe-swap", "joined-fo", "no-turn"],
  ["arch-rod", "whole-fo", "late-across"],
  ["arch-rod", "whole-fo", "never-loads"],
  ["big-toe-brace", "tilted-fo", "no-turn"],
  ["big-toe-brace", "whole-fo", "no-turn"],
  ["thigh-rest", "whole-fo", "no-turn"],
  ["thigh-rest", "whole-fo", "sways"],
  ["bent-knee-driver", "joined-fo", "never-loads"],
  ["bent-knee-driver", "joined-fo", "ahead"],
  ["bent-knee-iron", "whole-fo", "late"],
  ["bent-knee-iron", "whole-fo", "sways"],
  ["heel-on-prop", "whole-fo", "third"],
  ["heel-on-prop", "whole-fo", "jumps-open"],
  ["outside-edge-prop", "three-quarter-fo", "early-heel"],
  ["outside-edge-prop", "half-fo", "early-heel"],
  ["trail-foot-pivot", "pivot-fo", "half"],
  ["trail-foot-pivot", "pivot-fo", "none"],
  ["trail-push-off", "whole-fo", "knee-outside"],
  ["trail-push-off", "whole-fo", "early-heel"],
  ["trail-step-flat", "whole-fo", "heel-up"],
  ["trail-step-flat", "whole-fo", "apart"],
  ["lead-foot-rocker", "whole-fo", "spins"],
  ["lead-foot-rocker", "whole-fo", "drags"],
  ["heel-keeps-pace", "whole-fo", "early"],
  ["heel-keeps-pace", "whole-fo", "never"],
  ["step-to-target", "heel-fo", "spins-out"],
  ["step-to-target", "swing-fo", "drags"],
  ["ball-toss", "whole-fo", "throws-over"],
  ["ball-toss", "whole-fo", "hangs-back"],
  ["board-behind", "half-fo", "never-moves"],
  ["board-behind", "half-fo", "hangs-back"],
  ["hip-burst", "ball-fo", "no-move"],
  ["hip-burst", "ball-fo", "too-far"],
];

const SEED = 15_000;

/** The movements that a pass must not be told of, filmed. */
export const POINT_CLIPS: ClipSpec[] = WORST.map(([drillId, stageId, movement], n) => {
  const { drill, stage } = findStage(drillId, stageId);
  const found = WARNED_OF[drillId]![stageId]!.find((w) => w.id === movement)!;
  return filmed({ drill, stage, about: movement, script: found.script }, n, SEED);
});
