import type { Motion, FootSpell } from "../motion";
import type { Rep } from "../reps";
import { struck } from "./spans";
import type { SideName } from "../track";

/** A foot's step in the swing: when it leaves and lands, ms. */
export interface StepTimes {
  liftOff: number;
  /** Infinity when it is not seen to land in the clip. */
  landing: number;
}

/**
 * The first step of a foot between address and the strike (or release); null when it stays.
 *
 * @param afterMs how long after the strike it may leave
 */
export function stepOf(rep: Rep, foot: SideName, afterMs = 200): StepTimes | null {
  const { address } = rep.events;
  const hit = struck(rep);
  const last = (Number.isNaN(hit) ? rep.toMs : hit) + afterMs;
  const off = rep.footEvents.find(
    (e) => e.foot === foot && e.event === "liftOff" && e.ms > address && e.ms < last,
  );
  if (!off) return null;
  const on = rep.footEvents.find((e) => e.foot === foot && e.event === "landing" && e.ms > off.ms);
  return { liftOff: off.ms, landing: on?.ms ?? Infinity };
}

/** The spell on the ground that a foot is in at a time, or the next one. */
function spellAt(m: Motion, foot: SideName, ms: number): FootSpell | null {
  const { spells } = m.feet[foot];
  return spells.find((s) => ms <= s.toMs) ?? spells[spells.length - 1] ?? null;
}

/**
 * The network's points settle this late, ms: a spell that seems to begin so shortly before a
 * lift-off is the place stepped to.
 */
const SETTLES_MS = 60;

/** The spell on the ground that ends with a lift-off. */
export const leftFrom = (m: Motion, foot: SideName, liftOffMs: number): FootSpell | null =>
  m.feet[foot].spells.filter((s) => s.fromMs < liftOffMs - SETTLES_MS).at(-1) ?? null;

/**
 * A place of a foot along T in the spell at (or after) a time, cm; NaN when the foot was never seen
 * to stand.
 */
export const placeAt = (
  m: Motion,
  foot: SideName,
  key: "ankleT" | "heelT" | "toeT",
  ms: number,
): number => spellAt(m, foot, ms)?.[key] ?? NaN;
