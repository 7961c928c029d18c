import { filtfilt, lowPass } from "../../maths";
import { nearest, toMs, handSpeed } from "../../reps";
import {
  BOTH_VIEWS,
  EVERY_PART,
  FACE_ON,
  got,
  unmeasured,
  type Measure,
  type RepMotion,
} from "../measure";
import { extremes } from "../spans";

/** Times of the swing, and who turns back before the hands do. */
const ORDER = {
  family: "order",
  views: BOTH_VIEWS,
  reads: EVERY_PART,
  spoiledBy: [],
  ofAnySwing: true,
  gate: null,
} as const satisfies Partial<Measure>;

/** Hands, hips and head that stay within this of where they are at address stand still, cm. */
const STAYS = 1;
/** What is quicker than this in one who stands still is the points' jitter, Hz. */
const JITTER_HZ = 2;

/**
 * Since when the golfer has stood still, ms: a picture in which a point jumps ends the spell that
 * address is found by, but not the stillness.
 */
function stillSince({ m, rep: { stillFromMs } }: RepMotion): number {
  const parts = [m.handsT, m.handsU, m.hipT, m.hipU, m.headT, m.headU].map((x) =>
    filtfilt(lowPass(JITTER_HZ, m.dt), x),
  );
  const at = nearest(m, stillFromMs);
  let from = at;
  while (from > 0 && parts.every((x) => Math.abs(x[from - 1]! - x[at]!) < STAYS)) from--;
  return from === at ? stillFromMs : toMs(m, from);
}

export const order = {
  backTime: {
    ...ORDER,
    name: "Way back",
    unit: "ms",
    definition: "From the hands starting to the top.",
    waitsFor: ["top"],
    reads: ["start", "top"],
    channels: {
      swing: ({ rep: { events } }) => got(events.top - events.handStart, events.top),
    },
  },
  downTime: {
    ...ORDER,
    name: "Way down",
    unit: "ms",
    definition: "From the top to the strike.",
    waitsFor: ["strike"],
    reads: ["top", "impact"],
    channels: { swing: ({ rep, hit }) => got(hit - rep.events.top, hit) },
  },
  tempoRatio: {
    ...ORDER,
    name: "Back : down",
    unit: "ratio",
    definition: "Way back over way down.",
    waitsFor: ["strike"],
    reads: ["start", "top", "impact"],
    channels: {
      swing: ({ rep: { events }, hit }) =>
        got((events.top - events.handStart) / (hit - events.top), hit),
    },
  },
  pelvisBeforeHands: {
    ...ORDER,
    name: "Hips turn back before hands",
    unit: "ms",
    views: FACE_ON,
    definition: "From the hips' turning back to the top.",
    waitsFor: ["halfwayDown"],
    plain: {
      below: "Your hips do not lead the way down",
      above: "Your hips open before the arms come down",
    },
    channels: {
      swing: ({ rep: { events } }) => got(events.top - events.transition, events.transition),
    },
  },
  slideBeforeHands: {
    ...ORDER,
    name: "Hips shift before hands",
    unit: "ms",
    views: FACE_ON,
    definition: "From the hips' starting toward the target to the top.",
    waitsFor: ["halfwayDown"],
    channels: {
      swing: ({ rep: { events } }) => got(events.top - events.slideStart, events.slideStart),
    },
  },
  stillBefore: {
    ...ORDER,
    name: "Still before the start",
    unit: "s",
    definition: "How long you stood still before the hands started.",
    waitsFor: ["handStart"],
    plain: { above: "You stand still for a long time" },
    channels: {
      swing: (r) => {
        const { address } = r.rep.events;
        return got((address - stillSince(r)) / 1000, address);
      },
    },
  },
  peakHandSpeed: {
    ...ORDER,
    name: "Fastest hands",
    unit: "cm/s",
    definition: "Largest speed of your hands across the picture.",
    waitsFor: ["strike"],
    channels: {
      swing: ({ m, rep }) => {
        const { handStart, finish } = rep.events;
        if (Number.isNaN(handStart)) return unmeasured("eventNotFound");
        const to = nearest(m, Number.isNaN(finish) ? rep.toMs : finish);
        const { high, highAt } = extremes(handSpeed(m), nearest(m, handStart), to);
        return got(high, toMs(m, highAt));
      },
    },
  },
  propDropAt: {
    ...ORDER,
    name: "Prop falls, when",
    unit: "%",
    family: "feet",
    spoiledBy: ["feet"],
    ofAnySwing: false,
    definition: "When the prop is heard to fall, in % of the way down.",
    waitsFor: ["midThrough"],
    channels: {
      swing: ({ rep: { knockMs, events }, rules, hit }) => {
        if (!rules.prop) return unmeasured("otherKind");
        return knockMs === undefined
          ? unmeasured("notHeard")
          : got(((knockMs - events.top) / (hit - events.top)) * 100, knockMs);
      },
    },
  },
} as const satisfies Record<string, Measure>;
