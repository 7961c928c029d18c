import { type Motion, perMotion } from "../../motion";
import { firstRun, nearest, toMs } from "../clock";
import type { FootEvent } from "./footEvents";
import { smoothSpeed } from "./speed";

/** Hands behind the head and hips seen from the side are noisy: cut-offs for their speeds, Hz. */
const HANDS_HZ = 3;
const HIPS_HZ = 1.5;
const TAKEN = { hands: 25, hip: 12 };
const LOST = { hands: 40, hip: 12 };
const FOR_S = 0.2;

const speeds = perMotion((m) => ({
  hands: smoothSpeed(m.handsT, m.handsU, m.dt, HANDS_HZ),
  hip: smoothSpeed(m.hipT, m.hipU, m.dt, HIPS_HZ),
}));

/**
 * When a position is taken: mid-hands slower than 25 and mid-hip slower than 12 cm/s for 200 ms,
 * from a sample on; ms, NaN if never.
 */
export function heldFrom(m: Motion, from: number): number {
  const { hands, hip } = speeds(m);
  return toMs(
    m,
    firstRun(
      (i) => hands[i]! < TAKEN.hands && hip[i]! < TAKEN.hip,
      Math.round(FOR_S / m.dt),
      Math.ceil(from),
      m.n - 1,
    ),
  );
}

/**
 * When it is lost: hands over 40 or hips over 12 cm/s for 200 ms, or a foot event; ms, Infinity
 * when the clip ends first.
 */
export function lostAfter(m: Motion, takenMs: number, footEvents: readonly FootEvent[]): number {
  const { hands, hip } = speeds(m);
  const moved = toMs(
    m,
    firstRun(
      (i) => hands[i]! > LOST.hands || hip[i]! > LOST.hip,
      Math.round(FOR_S / m.dt),
      nearest(m, takenMs),
      m.n - 1,
    ),
  );
  const foot =
    footEvents.find((e) => e.ms > takenMs + 60 && (e.event === "landing" || e.event === "liftOff"))
      ?.ms ?? Infinity;
  return Math.min(Number.isNaN(moved) ? Infinity : moved, foot);
}
