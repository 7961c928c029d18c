import { good as pace } from "../../../../src/core/drills/library/heelKeepsPace";
import { good as prop } from "../../../../src/core/drills/library/heelOnProp";
import { good as rocker } from "../../../../src/core/drills/library/leadFootRocker";
import { good as edge } from "../../../../src/core/drills/library/outsideEdgeProp";
import { good as pivot } from "../../../../src/core/drills/library/trailFootPivot";
import { good as push } from "../../../../src/core/drills/library/trailPushOff";
import { good as stepFlat } from "../../../../src/core/drills/library/trailStepFlat";
import { warned, type WarnedOf } from "./warned";

const offTheEdge = (size: number) => [
  warned(
    "spins",
    "spins with the weight left behind",
    edge({ size, share: { top: 40, impact: 40, finish: 70 }, pelvis: { impact: 48 } }),
  ),
  warned(
    "early-heel",
    "a push to the target: the heel jumps up from the top",
    edge({ size, heel: { upAt: 0.08, lift: 0.1 } }),
  ),
  warned(
    "falls-back",
    "pushes away from the target: falls back",
    edge({ size, share: { top: 60, impact: 34, finish: 20 } }),
  ),
];

export const TRAIL_FOOT: WarnedOf = {
  "heel-on-prop": {
    "whole-fo": [
      warned("jumps", "one that jumps", prop({ heel: { upAt: 0.1 } })),
      warned(
        "third",
        "keeps its load through the first half: gone after a quarter",
        prop({ heel: { upAt: 0.25 } }),
      ),
      warned(
        "jumps-open",
        "jumps, and the hips fly open",
        prop({ heel: { upAt: 0.12 }, pelvis: { impact: 56 } }),
      ),
    ],
  },
  "outside-edge-prop": { "half-fo": offTheEdge(0.55), "three-quarter-fo": offTheEdge(0.75) },
  "trail-foot-pivot": {
    "pivot-fo": [
      warned("half", "half a turn", pivot({ turn: 30 })),
      warned("none", "the foot does not turn", pivot({ turn: 4 })),
      warned("drags", "about its heel: the heel is dragged along", pivot({ drag: 14 })),
    ],
  },
  "trail-push-off": {
    "whole-fo": [
      warned("early-heel", "flicked up early", push({ heel: { upAt: 0.14, lift: 0.09 } })),
      warned("scrapes", "the toe scrapes", push({ slide: { trail: 12 } })),
      warned(
        "not-loaded",
        "the lead foot is loaded first: pushes before it is",
        push({ share: { loaded: 16, top: 18, impact: 40, finish: 80 }, heel: { upAt: 0.5 } }),
      ),
      warned(
        "knee-outside",
        "the knee inside its foot: it is not",
        push({ gap: 30, knees: { trailTop: 0 } }),
      ),
    ],
  },
  "trail-step-flat": {
    "whole-fo": [
      warned(
        "heel-up",
        "its foot stays flat: the heel is up before the strike",
        stepFlat({ heel: { upAt: 0.6, finish: 50 } }),
      ),
      warned(
        "hardly",
        "the step: lands where it stood",
        stepFlat({ trailOut: { length: -5, fromTop: 0.03, air: 0.2 } }),
      ),
      warned(
        "none",
        "the step: there is none",
        stepFlat({ trailOut: undefined, traits: { kind: "step-swing" } }),
      ),
      warned("apart", "from feet together: starts apart", stepFlat({ gap: 26 })),
      warned(
        "first",
        "with the start down: steps before the club has gone back",
        stepFlat({ trailOut: { length: -24, fromTop: -0.95, air: 0.28 } }),
      ),
    ],
  },
  "lead-foot-rocker": {
    "whole-fo": [
      warned(
        "sways",
        "the hip clears: it sways",
        rocker({ tilt: { top: -10 }, share: { loaded: 4, top: 20 } }),
      ),
      warned("spins", "or the foot just spins", rocker({ leadSpin: { down: 28 } })),
      warned("drags", "the foot is dragged along", rocker({ slide: { lead: 9 } })),
    ],
  },
  "heel-keeps-pace": {
    "whole-fo": [
      warned(
        "early",
        "the body left too soon: the heel is up early",
        pace({ heel: { upAt: 0.16, lift: 0.08 } }),
      ),
      warned(
        "hangs-back",
        "finish steady enough to walk off: ends on the trail foot",
        pace({ share: { impact: 56, finish: 42 } }),
      ),
      warned("never", "or never: the heel stays down", pace({ heel: { upAt: 1.6, finish: 2 } })),
    ],
  },
};
