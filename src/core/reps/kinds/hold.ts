import { mean } from "../../maths";
import type { Motion } from "../../motion";
import { nearest, toMs } from "../clock";
import { heldFrom, lostAfter } from "../events/hold";
import { emptyEvents, type Rep, type RepContext } from "../rep";
import { overriddenOr } from "../overrides";
import type { RepWindow } from "../window";
import { bothFeet, pressureOf } from "../weight";

/**
 * A position on one leg: taken once a foot has left and hands and hips rest, lost when they move or
 * the foot comes down.
 */
export function readHold(
  m: Motion,
  _window: RepWindow,
  { smoother, overrides: said }: RepContext,
): Rep | null {
  const feet = bothFeet(m, -Infinity, Infinity, said?.feet);
  const off = feet.events.find((e) => e.event === "liftOff");
  if (!off) return null;
  const still = {
    fromMs: m.startMs,
    toMs: overriddenOr(said, "address", Math.max(m.startMs + 200, off.ms - 700)),
    even: true,
  };
  const pressure = pressureOf(m, smoother, feet, still);
  const taken = overriddenOr(said, "taken", heldFrom(m, nearest(m, off.ms)));
  const lost = overriddenOr(
    said,
    "lost",
    Number.isNaN(taken) ? NaN : lostAfter(m, taken, feet.events),
  );
  const end = nearest(m, still.toMs);
  return {
    kind: "hold",
    fromMs: m.startMs,
    toMs: toMs(m, m.n - 1),
    moving: false,
    events: { ...emptyEvents(), address: still.toMs, taken, lost },
    footEvents: feet.events,
    air: feet.air,
    feet: feet.standing,
    stillFromMs: m.startMs,
    leadShare: pressure.share,
    pressure: pressure.p,
    shareStill: mean(pressure.share.subarray(0, end + 1)),
    turns: [],
    roll: pressure.roll,
  };
}
