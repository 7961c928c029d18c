import { good as doubleStep } from "../../../../src/core/drills/library/doubleStep";
import { good as earlyStep } from "../../../../src/core/drills/library/earlyLeadStep";
import { good as forwardRock } from "../../../../src/core/drills/library/forwardRock";
import { good as hanging, withClub } from "../../../../src/core/drills/library/hangingArmsTurn";
import { good as beats } from "../../../../src/core/drills/library/leadTrailLead";
import { good as stepping } from "../../../../src/core/drills/library/quietGripStepping";
import { good as level } from "../../../../src/core/drills/library/rockingBoardLevel";
import { good as side } from "../../../../src/core/drills/library/rockingBoardSide";
import { swing } from "../../../../src/core/figure/scripts/swing";
import { warned, type WarnedOf } from "./warned";

const rocking = (period: number, club: number | null = null) => [
  warned("block", "feet and hands swing as a single block", side({ period, club, lag: 0 })),
  warned(
    "hands-lead",
    "the arms carry the ground: the hands turn first",
    side({ period, club, lag: -0.12 }),
  ),
  warned("far", "short swings: the hands go far out", side({ period, club, arms: 95, lag: 0.26 })),
];
const loose = (make: typeof hanging | typeof withClub) => [
  warned(
    "no-rock",
    "rock toward the target first: starts from the middle",
    make({ rock: { share: 42, lead: 0.4 }, share: { address: 44 } }),
  ),
  warned(
    "hands-first",
    "the hands come down before the hips go",
    make({ pelvis: { beforeTop: -0.16 }, share: { loaded: 20, top: 21 }, loadedAt: 1 }),
  ),
  warned(
    "lifts",
    "they rise only because the chest turns, to chest height: the arms are lifted",
    make({ size: 1.05, pelvis: { top: -22, impact: 22 }, thorax: { top: -36, impact: 12 } }),
  ),
];

export const GROUND: WarnedOf = {
  "double-step": {
    "whole-fo": [
      warned(
        "too-big",
        "step too big",
        doubleStep({ trailStep: -25, trailAir: 0.34, loadedShare: 16 }),
      ),
      warned(
        "hands-first",
        "hands first",
        doubleStep({ trailFirst: -0.2, still: 0.8, back: 1.15, trailAir: 0.26 }),
      ),
      warned("lead-late", "lead foot late", doubleStep({ leadBeforeTop: -0.16 })),
      warned(
        "no-weight",
        "steps without moving the weight",
        doubleStep({ sentShare: 68, loadedShare: 65, leadAir: 0.18, trailAir: 0.24, leadStep: 8 }),
      ),
      warned(
        "sways",
        "sways past the foot",
        doubleStep({ tiltTop: -19, loadedShare: 2, trailStep: -6 }),
      ),
      warned("stands", "standing still over the ball: no foot steps", () =>
        swing({
          gap: 22,
          back: 1,
          down: 0.31,
          clubAhead: 12,
          share: { loaded: 14, top: 56, impact: 78 },
        }),
      ),
    ],
  },
  "early-lead-step": {
    "whole-fo": [
      warned(
        "late",
        "returns during the backswing: lands when the club comes down",
        earlyStep({ leadStep: { length: 26, beforeTop: -0.08, air: 0.3 } }),
      ),
      warned(
        "short",
        "to its usual place: steps short",
        earlyStep({ leadStep: { length: 7, beforeTop: 0.22, air: 0.24 } }),
      ),
      warned(
        "apart",
        "from feet together: starts apart",
        earlyStep({ gap: 25, leadStep: { length: 18, beforeTop: 0.22, air: 0.3 } }),
      ),
      warned(
        "touches",
        "the lead side is loaded: the foot only touches down",
        earlyStep({ share: { loaded: 20, top: 20, impact: 52, finish: 80 } }),
      ),
    ],
  },
  "forward-rock": {
    "whole-fo": [
      warned(
        "no-rock",
        "weight nearly all on the lead foot: no rock",
        forwardRock({ rock: { share: 51, lead: 0.4 } }),
      ),
      warned("waits", "a frozen start", forwardRock({ still: 3.6 })),
      warned(
        "stays-forward",
        "something to push from: never goes back",
        forwardRock({ share: { loaded: 62, top: 66, impact: 78 } }),
      ),
      warned(
        "hangs-back",
        "the push goes nowhere: struck from the trail foot",
        forwardRock({ share: { loaded: 20, top: 26, impact: 34, finish: 60 } }),
      ),
    ],
  },
  "rocking-board-side": {
    "slow-fo": rocking(1.9),
    "faster-fo": rocking(1.45),
    "floor-fo": rocking(1.5, 0.4),
  },
  "rocking-board-level": {
    "whole-fo": [
      warned(
        "turns-first",
        "the turn is used up at the start: hands before the weight",
        level({ lag: -0.08 }),
      ),
      warned("block", "rocks and turns as one block", level({ lag: 0 })),
      warned("small", "the big turn is left out", level({ thorax: 11, arms: 22 })),
    ],
  },
  "lead-trail-lead": {
    "whole-fo": [
      warned(
        "third-late",
        "arrive while the arms still go back: the third beat comes after",
        beats({ loadedAt: 0.7, share: { top: 36, impact: 74 } }),
      ),
      warned(
        "one-way",
        "three beats: only one way and back",
        beats({ rock: { share: 36, lead: 0.4 }, share: { address: 30, loaded: 24 } }),
      ),
      warned(
        "never-back",
        "begins on the lead foot and stays there",
        beats({
          rock: { share: 82, lead: 0.4 },
          share: { address: 76, loaded: 70, top: 76, impact: 84 },
        }),
      ),
    ],
  },
  "quiet-grip-stepping": {
    "grip-fo": [
      warned("lead-slips", "no slip: the lead foot slips", stepping({ slide: 9, slideOf: "lead" })),
      warned(
        "trail-slips",
        "no slip: the trail foot slips",
        stepping({ slide: 9, slideOf: "trail" }),
      ),
      warned("no-steps", "step to each side: the feet stay", stepping({ step: 0 })),
      warned(
        "late",
        "feet learn to follow: a foot lands after the hands have turned",
        stepping({ lag: 0.02, weight: 20 }),
      ),
    ],
  },
  "hanging-arms-turn": { "whole-fo": loose(hanging), "with-club-fo": loose(withClub) },
};
