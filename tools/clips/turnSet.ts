import { findStage } from "../../src/core/drills";
import type { MovementScript } from "../../src/core/figure/script";
import type { Knot } from "../../src/core/maths";
import type { ClipSpec } from "./clip";
import { filmed } from "./drillSet";
import { FIT_GOLFERS } from "./people";

/** Stages that ask for a turn. */
const TURNING: readonly (readonly [drill: string, stage: string])[] = [
  ["lead-leg-only", "whole-fo"],
  ["rocking-board-level", "whole-fo"],
  ["heel-toe-swap", "back-fo"],
  ["heel-toe-swap", "joined-fo"],
  ["big-toe-brace", "whole-fo"],
  ["thigh-rest", "whole-fo"],
];
/** Shares of the asked turn that are made. */
const SHARES = [0.12, 0.35, 0.6];
const SEED = 16_000;

const scaled = (knots: readonly Knot[], share: number): Knot[] =>
  knots.map(([t, v, ...rest]) => [t, v * share, ...rest] as Knot);

/** The same movement with less turn of hips and chest; arms and weight go as they went. */
const turnedLess = (script: MovementScript, share: number): MovementScript => ({
  ...script,
  pelvisTurn: scaled(script.pelvisTurn, share),
  thoraxTurn: scaled(script.thoraxTurn, share),
});

/**
 * Turns of every size under arms that swing alike: what tells a turn that was made from one that was
 * not is fitted on them (tools/fit/turned.ts).
 */
export const TURN_CLIPS: ClipSpec[] = SHARES.flatMap((share, k) =>
  TURNING.map(([drillId, stageId], j) => {
    const { drill, stage } = findStage(drillId, stageId);
    const about = `turned-${Math.round(share * 100)}`;
    const script = () => turnedLess(stage.target!(), share);
    const n = j * SHARES.length + k;
    const golfer = FIT_GOLFERS[n % FIT_GOLFERS.length]!;
    return filmed({ drill, stage, about, script }, n, SEED, golfer);
  }),
);
