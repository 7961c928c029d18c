import { good as archRod } from "../../../../src/core/drills/library/archRod";
import { good as driver } from "../../../../src/core/drills/library/bentKneeDriver";
import { good as iron } from "../../../../src/core/drills/library/bentKneeIron";
import { good as bigToe } from "../../../../src/core/drills/library/bigToeBrace";
import { back, good as swap } from "../../../../src/core/drills/library/heelToeSwap";
import { good as wall } from "../../../../src/core/drills/library/hipsOnWall";
import { good as thigh } from "../../../../src/core/drills/library/thighRest";
import { ARMS_ONLY, warned, type WarnedOf } from "./warned";

const swapping = (make: typeof swap | typeof back) => [
  warned(
    "sways",
    "hips turn in place: they sway",
    make({ tilt: { top: -10 }, share: { loaded: 4, top: 20 } }),
  ),
  warned(
    "head",
    "the head goes back a hand's breadth and more",
    make({ tilt: { top: 22 }, neck: { top: 28 } }),
  ),
  warned("no-turn", "the hips turn of themselves: nothing turns", make({ ...ARMS_ONLY })),
];
const braced = (more: { tilt?: { address: number; top: number } } = {}) => [
  warned(
    "sways",
    "the hip turns in: it sways",
    bigToe({ ...more, tilt: { ...more.tilt, top: 7 }, share: { loaded: 0, top: 10 }, gap: 52 }),
  ),
  warned(
    "knee-out",
    "the knee kicks out",
    bigToe({ ...more, gap: 28, knees: { trailTop: -85 }, share: { loaded: 6, top: 36 } }),
  ),
  warned(
    "reverse-tilt",
    "reverse tilt loads the lower back",
    bigToe({ ...more, tilt: { ...more.tilt, top: -13 }, share: { loaded: 40, top: 50 } }),
  ),
  warned(
    "sole-up",
    "keeps the sole on the ground: the heel comes up",
    bigToe({ ...more, heel: { back: 22 } }),
  ),
  warned("no-turn", "the trail hip turns in: nothing turns", bigToe({ ...more, ...ARMS_ONLY })),
];

export const TURNING: WarnedOf = {
  "heel-toe-swap": {
    "back-fo": swapping(back),
    "joined-fo": [
      ...swapping(swap),
      warned(
        "slides",
        "slides through",
        swap({ share: { top: 20, impact: 94 }, tilt: { impact: 20 } }),
      ),
    ],
  },
  "arch-rod": {
    "whole-fo": [
      warned(
        "never-loads",
        "never onto the trail foot",
        archRod({ share: { address: 60, loaded: 64, top: 66 } }),
      ),
      warned(
        "hangs-back",
        "ends on the trail foot",
        archRod({ share: { impact: 50, finish: 44 } }),
      ),
      warned(
        "late-across",
        "weight across after the way down is half over",
        archRod({ share: { loaded: 20, top: 20, impact: 62 } }),
      ),
    ],
  },
  "big-toe-brace": {
    "whole-fo": braced(),
    "tilted-fo": braced({ tilt: { address: 6, top: 8 } }),
  },
  "thigh-rest": {
    "whole-fo": [
      warned(
        "knee-out",
        "a knee that stays: it kicks out",
        thigh({ gap: 30, knees: { trailTop: -80 }, share: { loaded: 10, top: 40 } }),
      ),
      warned(
        "no-turn",
        "makes the hip turn: nothing turns",
        thigh({ pelvis: { top: -5, impact: 4 }, thorax: { top: -12, impact: 6 } }),
      ),
      warned(
        "sways",
        "the hips go to the side instead",
        thigh({ tilt: { top: -12 }, share: { loaded: 4, top: 14 } }),
      ),
    ],
  },
  "hips-on-wall": {
    "knees-fo": [
      warned(
        "collapse",
        "knees don't collapse: the trail knee falls in",
        wall({ knees: { trailImpact: 75, leadImpact: -40 } }),
      ),
      warned(
        "slides",
        "slides along the wall",
        wall({ share: { top: 20, impact: 96 }, tilt: { impact: 20 } }),
      ),
      warned(
        "sways",
        "sways along the wall",
        wall({ tilt: { top: -10 }, share: { loaded: 4, top: 20 } }),
      ),
    ],
  },
  "bent-knee-driver": {
    "joined-fo": [
      warned(
        "sways",
        "pushes the hips sideways",
        driver({ tilt: { top: -9 }, share: { loaded: 2, top: 14 }, gap: 54 }),
      ),
      warned(
        "hangs-back",
        "over to the lead foot: ends on the trail foot",
        driver({ share: { finish: 40 } }),
      ),
      warned(
        "ahead",
        "the driver hangs back a little: far across at the strike",
        driver({ share: { impact: 88 } }),
      ),
      warned(
        "never-loads",
        "wind up over the trail foot: never on it",
        driver({ share: { loaded: 58, top: 58, impact: 60 } }),
      ),
    ],
  },
  "bent-knee-iron": {
    "whole-fo": [
      warned(
        "late",
        "across before the ball: struck from the trail foot",
        iron({ share: { top: 36, impact: 44, finish: 80 }, tilt: { impact: 9 } }),
      ),
      warned(
        "no-step",
        "carry on with a pace: none",
        iron({ trailStep: undefined, share: { finish: 88 } }),
      ),
      warned(
        "sways",
        "turns in place: sways",
        iron({ tilt: { top: -10 }, share: { loaded: 4, top: 20 } }),
      ),
      warned(
        "short",
        "a whole pace: the foot lands beside the other",
        iron({ trailStep: { length: 26, afterImpact: 0.6, air: 0.36 } }),
      ),
    ],
  },
};
