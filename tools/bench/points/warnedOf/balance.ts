import { good as together } from "../../../../src/core/drills/library/feetTogether";
import { good as oneLeg } from "../../../../src/core/drills/library/leadLegOnly";
import { good as toeBehind } from "../../../../src/core/drills/library/trailToeBehind";
import { ARMS_ONLY, warned, type WarnedOf } from "./warned";

export const BALANCE: WarnedOf = {
  "feet-together": {
    "whole-fo": [
      warned(
        "tips-forward",
        "the shoulders ran: tips toward the target",
        together({ tilt: { impact: -12 }, neck: { impact: -10 } }),
      ),
      warned(
        "tips-back",
        "the hips ran: tips back",
        together({ tilt: { impact: 18 }, neck: { impact: 6 } }),
      ),
      warned("apart", "feet and knees touching: the feet are not", together({ gap: 27 })),
      warned("falls-out", "the finish is left at once", together({ hold: 0.4 })),
      warned(
        "sways",
        "the narrow base is left: the hips go over the trail foot and past it",
        together({ tilt: { top: -14 }, share: { loaded: 6, top: 30 } }),
      ),
      warned("knees", "the knees part", together({ knees: { leadTop: 42, trailTop: -42 } })),
    ],
  },
  "trail-toe-behind": {
    "whole-fo": [
      warned(
        "falls-back",
        "falls back",
        toeBehind({
          size: 0.8,
          down: 0.28,
          share: { loaded: 66, top: 98, impact: 84, finish: 15 },
          tilt: { top: 4, impact: -6 },
        }),
      ),
      warned(
        "slides-on",
        "the hip slides on",
        toeBehind({ share: { loaded: 50, top: 52, impact: 99, finish: 99 }, tilt: { impact: 18 } }),
      ),
      warned(
        "weight-behind",
        "most weight on the lead foot: it stays behind",
        toeBehind({ share: { address: 40, loaded: 30, top: 40, impact: 52, finish: 70 } }),
      ),
      warned(
        "heel-down",
        "on its toe, heel up: the trail sole is flat",
        toeBehind({ heel: { address: 0 } }),
      ),
    ],
  },
  "lead-leg-only": {
    "whole-fo": [
      warned(
        "slides",
        "no room to slide: slides over the foot",
        oneLeg({ share: { address: 70, loaded: 50, top: 52, impact: 100 }, tilt: { impact: 20 } }),
      ),
      warned(
        "two-feet",
        "trail toe for balance only: half the weight is on it",
        oneLeg({ share: { address: 50, loaded: 40, top: 50, impact: 62, finish: 80 } }),
      ),
      warned("heel-down", "the trail sole is flat", oneLeg({ heel: { address: 0 } })),
      warned("no-turn", "the hip can only go back: nothing turns", oneLeg({ ...ARMS_ONLY })),
    ],
  },
};
