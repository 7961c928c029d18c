import { nearest, lostAfter } from "../../reps";
import {
  BOTH_VIEWS,
  EVERY_PART,
  got,
  unmeasured,
  type Compute,
  type Measure,
  type RepMotion,
} from "../measure";
import { range } from "../spans";

const BALANCE = {
  family: "balance",
  views: BOTH_VIEWS,
  reads: EVERY_PART,
  waitsFor: ["held"],
  spoiledBy: [],
  ofAnySwing: false,
  gate: null,
} as const satisfies Partial<Measure>;

/** Wobble counts from this long after the position is taken, and over this at least, ms. */
const SETTLED_MS = 300;
const LEAST_MS = 200;

/** From taking a position (in a swing: the finish) to losing it, ms; null where none was taken. */
function held({ m, rep }: RepMotion): { taken: number; lost: number } | null {
  const hold = rep.kind === "hold";
  const taken = hold ? rep.events.taken : rep.events.finish;
  if (Number.isNaN(taken)) return null;
  const lost = hold ? rep.events.lost : lostAfter(m, taken, rep.footEvents);
  return { taken, lost: Math.min(lost, rep.toMs) };
}

const holdTime: Compute = (r) => {
  const spell = r.of(held);
  return spell ? got((spell.lost - spell.taken) / 1000, spell.taken) : unmeasured("eventNotFound");
};

const wobble: Compute = (r) => {
  const { m } = r;
  const spell = r.of(held);
  if (!spell) return unmeasured("eventNotFound");
  const from = spell.taken + SETTLED_MS;
  return spell.lost - from > LEAST_MS
    ? got(range(m.comT, nearest(m, from), nearest(m, spell.lost)), from)
    : unmeasured("eventNotFound");
};

export const balance = {
  holdTime: {
    ...BALANCE,
    name: "Held",
    unit: "s",
    definition: "How long the position was held.",
    channels: { swing: holdTime, hold: holdTime },
  },
  wobble: {
    ...BALANCE,
    name: "Wobble",
    unit: "cm",
    definition:
      "How far your centre of mass wanders across the picture while you hold, from 0.3 s on.",
    channels: { swing: wobble, hold: wobble },
  },
} as const satisfies Record<string, Measure>;
