import { compose } from "../../src/core/figure/compose";
import type { MovementScript } from "../../src/core/figure/script";
import { placeBall, standAbout, waggle, walk } from "../../src/core/figure/scripts/between";
import { seeded } from "../../src/core/maths/seeded";
import { anyDoubleStep, DOUBLE_STEP_FAULTS, surelyGoodDoubleStep } from "./movements";
import type { ClipSpec } from "./clip";
import { HOME, INKA, OUTFITS } from "./demoSet";

type Fault = keyof typeof DOUBLE_STEP_FAULTS;
const STANCE = { gap: 22, stagger: 0 };

/**
 * Whole bouts in one take, as a running camera sees them: walking in, reps, and all that happens
 * between them.
 */
export const BOUTS: ClipSpec[] = [
  bout(
    "double-step-bout",
    7001,
    [null, "leadLate", null, null, "tooBig", null, null, "handsFirst", null, null],
    { waggleBefore: 2, ballBefore: 4, knockBefore: 6, passerBefore: 8 },
  ),
];

interface Between {
  /** Which rep a waggle, a ball's placing, a knock and a passer-by come before; counted from 0. */
  waggleBefore: number;
  ballBefore: number;
  knockBefore: number;
  passerBefore: number;
}

function bout(
  id: string,
  seed: number,
  faults: (Fault | null)[],
  { waggleBefore, ballBefore, knockBefore, passerBefore }: Between,
): ClipSpec {
  const r = seeded(seed);
  const parts: MovementScript[] = [
    walk({ from: [150, 190], stance: STANCE }),
    standAbout(1.6, STANCE),
  ];
  faults.forEach((fault, k) => {
    if (k === waggleBefore) parts.push(waggle(STANCE, 2, 1.2));
    if (k === ballBefore) parts.push(placeBall(STANCE));
    if (k === knockBefore || k === passerBefore) parts.push(standAbout(3, STANCE));
    parts.push(fault ? anyDoubleStep(r, fault) : surelyGoodDoubleStep(r));
  });
  parts.push(standAbout(2, STANCE));
  const script = compose(parts, [1.5, 2, 1.7]);
  const { reps } = script;
  return {
    id,
    about: "A bout of ten, in one take.",
    drill: "double-step",
    view: "face-on",
    script,
    seed,
    golfer: INKA,
    outfit: OUTFITS.inka!,
    place: "range",
    camera: {
      ...HOME,
      knock: { at: reps[knockBefore]!.from - 3.6, pitch: 0.8, roll: 0.4, yaw: 1 },
    },
    passer: { from: reps[passerBefore]!.from - 7, behind: 170, direction: 1 },
  };
}
