import { good as toss } from "../../../../src/core/drills/library/ballToss";
import { good as board } from "../../../../src/core/drills/library/boardBehind";
import { good as burst } from "../../../../src/core/drills/library/hipBurst";
import { heel, swung, walk } from "../../../../src/core/drills/library/stepToTarget";
import { warned, type WarnedOf } from "./warned";

const spinsOut = (make: typeof walk | typeof swung) =>
  warned("spins-out", "the lead foot spins out", make({ leadSpin: { down: 10, through: 55 } }));

export const THROUGH: WarnedOf = {
  "step-to-target": {
    "walk-fo": [
      warned("no-step", "walk out of it: no pace", walk({ trailStep: undefined })),
      warned(
        "short",
        "the foot lands beside the other",
        walk({ trailStep: { length: 24, afterImpact: 0.5, air: 0.34 } }),
      ),
      spinsOut(walk),
    ],
    "swing-fo": [
      warned("no-step", "walk out of it: no pace", swung({ trailStep: undefined })),
      warned(
        "stops",
        "stops, and only then goes on",
        swung({ trailStep: { length: 74, afterImpact: 1.6, air: 0.44 } }),
      ),
      spinsOut(swung),
      warned("drags", "the lead foot is dragged along", swung({ slideThrough: 9 })),
    ],
    "heel-fo": [
      warned(
        "hangs-back",
        "a finish you could walk out of: on the trail foot",
        heel({ share: { impact: 56, finish: 40 } }),
      ),
      spinsOut(heel),
      warned("drags", "the lead foot is dragged along", heel({ slideThrough: 9 })),
    ],
  },
  "ball-toss": {
    "whole-fo": [
      warned(
        "hangs-back",
        "hang back to lift the ball",
        toss({ share: { top: 24, impact: 34, finish: 50 }, tilt: { impact: 12 } }),
      ),
      warned(
        "throws-over",
        "the hips stay, the arm throws",
        toss({
          share: { loaded: 46, top: 48, impact: 56, finish: 60 },
          pelvis: { top: -10, impact: 2 },
        }),
      ),
      warned(
        "falls-back",
        "falling back after it",
        toss({ trailStep: undefined, share: { impact: 86, finish: 22 } }),
      ),
    ],
  },
  "board-behind": {
    "half-fo": [
      warned(
        "hangs-back",
        "only from the lead foot: hangs back",
        board({ share: { top: 38, impact: 40, finish: 64 }, tilt: { impact: 10 } }),
      ),
      warned(
        "falls-back",
        "goes on and falls back before the strike",
        board({ share: { top: 66, impact: 36, finish: 24 } }),
      ),
      warned(
        "never-moves",
        "the weight stays in the middle",
        board({ share: { loaded: 46, top: 48, impact: 50, finish: 54 } }),
      ),
    ],
  },
  "hip-burst": {
    "ball-fo": [
      warned(
        "no-move",
        "small move onto the lead leg: opens on the spot",
        burst({ share: { loaded: 30, top: 26, impact: 50 }, tilt: { impact: 6, top: -5 } }),
      ),
      warned(
        "too-far",
        "not far",
        burst({
          share: { loaded: 34, top: 74, impact: 96 },
          tilt: { top: 8, impact: 16 },
          gap: 50,
        }),
      ),
      warned(
        "late",
        "a brief sharp opening: the hips open after the hands",
        burst({ pelvis: { beforeTop: -0.2, impact: -8 } }),
      ),
    ],
  },
};
