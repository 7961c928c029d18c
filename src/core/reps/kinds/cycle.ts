import type { Motion } from "../../motion";
import { nearest, toMs } from "../clock";
import { emptyEvents, type Rep, type RepContext } from "../rep";
import type { RepWindow } from "../window";
import { bothFeet, LEAST_SHIFT, pressureOf } from "../weight";
import { turnsOf, type Turn } from "../turns";

/** Hands that swing less than this along T do not turn around: share of stature (10 cm at 178). */
const LEAST_SWING = 0.056;

const handTurns = (m: Motion): Turn[] => turnsOf("hands", m, m.handsT, LEAST_SWING * m.statureCm);

/**
 * Every full period of the hands, from a turn on one side to the next on that side; the first side
 * is the one they turn at first.
 */
export function cyclesIn(m: Motion): RepWindow[] {
  const turns = handTurns(m);
  const out: RepWindow[] = [];
  for (let k = 0; k + 2 < turns.length; k += 2)
    out.push({
      from: nearest(m, turns[k]!.ms),
      to: nearest(m, turns[k + 2]!.ms),
      about: nearest(m, turns[k + 1]!.ms),
    });
  return out;
}

/**
 * One period of a to-and-fro, read in the whole motion: the turns of hands and pressure, the feet's
 * steps.
 */
export function readCycle(
  m: Motion,
  window: RepWindow,
  { smoother, overrides: said }: RepContext,
): Rep | null {
  const hands = handTurns(m);
  const [fromMs, toMs_] = [toMs(m, window.from), toMs(m, window.to)];
  const feet = bothFeet(m, -Infinity, Infinity, said?.feet);
  const pressure = pressureOf(m, smoother, feet, null);
  const apart = Math.max(...pressure.gap);
  const turns = [...hands, ...turnsOf("pressure", m, pressure.p, LEAST_SHIFT * apart)].sort(
    (a, b) => a.ms - b.ms,
  );
  // The perturbed copy's turns are a little earlier or later: its period is the one whose ends are
  // nearest.
  const ends = said?.split
    ? [said.split.from, said.split.to]
    : [fromMs, toMs_].map((ms) =>
        hands.reduce(
          (best, t) => (Math.abs(t.ms - ms) < Math.abs(best - ms) ? t.ms : best),
          Infinity,
        ),
      );
  if (!ends.every(Number.isFinite) || ends[1]! <= ends[0]!) return null;
  return {
    kind: "cycle",
    fromMs: ends[0]!,
    toMs: ends[1]!,
    moving: true,
    events: emptyEvents(),
    footEvents: feet.events,
    air: feet.air,
    feet: feet.standing,
    stillFromMs: m.startMs,
    leadShare: pressure.share,
    pressure: pressure.p,
    shareStill: pressure.share[0]!,
    turns,
    roll: 0,
  };
}
