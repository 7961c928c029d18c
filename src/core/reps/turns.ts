import { derivative, filtfilt, lowPass } from "../maths";
import type { Motion } from "../motion";
import { toMs } from "./clock";

/** A turn-around of the pressure, the hands or a foot; `side` is where it turned. */
export interface Turn {
  of: "pressure" | "hands" | "foot";
  ms: number;
  side: "target" | "away";
}

/**
 * A turn-around is a zero crossing of velocity after a low-pass at this, Hz (docs/movement.md, rep
 * kinds).
 */
const TURN_HZ = 2;

/** Turn-arounds of a channel that swings by at least `least` between them. */
export function turnsOf(
  of: Turn["of"],
  m: Pick<Motion, "startMs" | "dt">,
  x: Float64Array,
  least: number,
): Turn[] {
  const smooth = filtfilt(lowPass(TURN_HZ, m.dt), x);
  const v = derivative(smooth, m.dt);
  const out: Turn[] = [];
  let before = smooth[0]!;
  for (let i = 1; i < x.length; i++) {
    if (v[i - 1]! === 0 || Math.sign(v[i]!) === Math.sign(v[i - 1]!)) continue;
    if (Math.abs(smooth[i]! - before) < least) continue;
    before = smooth[i]!;
    out.push({
      of,
      ms: toMs(m, i - 1 + v[i - 1]! / (v[i - 1]! - v[i]!)),
      side: v[i - 1]! > 0 ? "target" : "away",
    });
  }
  return out;
}

/**
 * When hands and pressure turn round in the middle of a period, ms; the pressure's turn is null
 * where none belongs to the hands'.
 */
export interface MiddleTurn {
  hands: number;
  pressure: number | null;
}

/**
 * Turns farther apart than this share of the period belong to others (docs/movement.md,
 * groundLeadsHands).
 */
const APART = 0.3;

/**
 * The turn of the hands nearest to the middle of a period, and the pressure's turn on the same side
 * that is nearest to it; null where the hands do not turn.
 */
export function middleTurn(
  turns: readonly Turn[],
  fromMs: number,
  toMs: number,
): MiddleTurn | null {
  const hands = nearest(
    turns.filter((t) => t.of === "hands" && t.ms > fromMs && t.ms < toMs),
    (fromMs + toMs) / 2,
  );
  if (!hands) return null;
  return { hands: hands.ms, pressure: pressureTurn(turns, hands, toMs - fromMs)?.ms ?? null };
}

/**
 * The pressure's turn that belongs to one of the hands: the nearest on the same side, unless it is
 * another period's; null where there is none.
 */
export function pressureTurn(turns: readonly Turn[], hands: Turn, periodMs: number): Turn | null {
  const same = nearest(
    turns.filter((t) => t.of === "pressure" && t.side === hands.side),
    hands.ms,
  );
  return same && Math.abs(same.ms - hands.ms) < APART * periodMs ? same : null;
}

const nearest = (list: readonly Turn[], ms: number): Turn | null =>
  list.reduce<Turn | null>(
    (best, t) => (!best || Math.abs(t.ms - ms) < Math.abs(best.ms - ms) ? t : best),
    null,
  );
