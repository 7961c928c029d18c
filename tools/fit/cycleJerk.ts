import { readMotion } from "../../src/core/motion/motion";
import { PRESSURE_FIT } from "../../src/core/reps/fitted";
import { turnsOf } from "../../src/core/reps/turns";
import { bothFeet, LEAST_SHIFT, pressureOf, pressureSmoother } from "../../src/core/reps/weight";
import { readScene } from "../../src/core/scene/scene";
import { finishTrack } from "../../src/core/track/finishTrack";
import type { TruthClip } from "../study/truthClip";
import { tried } from "./tried";

/** A found turn farther from the true one than this is another one, ms. */
const SAME_TURN_MS = 500;

/** Errors of the pressure's turns in to-and-fros for several smoothings. */
export function cycleJerk(clips: readonly TruthClip[]): void {
  const read = clips.map(({ truth, track: load }) => {
    const golfer = { statureCm: truth.golfer.stature, hand: truth.golfer.hand };
    const track = finishTrack(load(), true);
    const motion = readMotion(track, readScene(track, golfer, truth.view), golfer);
    return {
      motion,
      feet: bothFeet(motion, -Infinity, Infinity),
      turns: truth.reps.flatMap((r) => r.turns ?? []).filter((t) => t.of === "pressure"),
    };
  });
  tried("reps", PRESSURE_FIT, "cycleJerk", [55, 40, 30, 22, 16, 12, 9, 6], "ms", () =>
    read.flatMap(({ motion, feet, turns }) => {
      const pressure = pressureOf(motion, pressureSmoother(motion, true), feet, null);
      const found = turnsOf(
        "pressure",
        motion,
        pressure.p,
        LEAST_SHIFT * Math.max(...pressure.gap),
      );
      return turns.flatMap((t) => {
        const off = found
          .filter((f) => f.side === t.side)
          .map((f) => f.ms - t.t)
          .sort((a, b) => Math.abs(a) - Math.abs(b))[0];
        return off !== undefined && Math.abs(off) < SAME_TURN_MS ? [off] : [];
      });
    }),
  );
}
