import { samePlace, type Motion, perMotion } from "../../motion";
import { toMs } from "../clock";
import { EVENT_FIT } from "../fitted";
import type { RepRules } from "../rep";
import { smoothSpeed } from "./speed";

/** Cut-off at which the body's own speed can be told from the points' noise, Hz. */
const STILL_HZ = 4;
const STILL_SPEED = 3;
/** Speeds of hands, hips and head, cm/s. */
const bodySpeeds = perMotion((m) =>
  (
    [
      [m.handsT, m.handsU],
      [m.hipT, m.hipU],
      [m.headT, m.headU],
    ] as const
  ).map(([t, u]) => smoothSpeed(t, u, m.dt, STILL_HZ)),
);
/** Points that jitter by more than that hide a stillness: then twice as much is allowed. */
const JITTERY_SPEED = 6;
/**
 * Points that still settle after the golfer went to the ball; only for one who stood still before.
 */
const RESTLESS_SPEED = 12;
const SPELL_MS = 300;
/**
 * A jittery stillness that ends later than a quiet one by this is another one: the address after a
 * ball was placed, say; ms.
 */
const LATER_MS = 800;
/** A stillness longer ago than this is not this rep's, ms (docs/movement.md, events). */
const LATEST_MS = 3000;

/**
 * Address: end of the last spell of at least 300 ms before hand start in which hands, hips and head
 * move slower than 3 cm/s and both feet stand; the smoothing lets the coming motion show a little
 * early, which a fitted delay makes up for. `bodyFirst`: it is the hips that end it. None: the
 * quietest 100 ms, flagged as a moving start.
 */
export function address(
  m: Motion,
  handStartMs: number,
  rules: Pick<RepRules, "kind" | "stepsFirst">,
): { ms: number; moving: boolean; fromMs: number; bodyFirst: boolean } {
  const parts = bodySpeeds(m);
  const stands = (ms: number) =>
    (["lead", "trail"] as const).every((side) => standing(m.feet[side].spells, ms));
  const starts = Math.min(handStartMs, rules.stepsFirst ? lastStep(m, handStartMs) : Infinity);
  const end = Math.min(m.n - 1, Math.floor((starts - m.startMs) / 1000 / m.dt));
  const need = Math.round(SPELL_MS / 1000 / m.dt);
  const earliest = Math.max(0, Math.ceil((handStartMs - LATEST_MS - m.startMs) / 1000 / m.dt));
  const bodyMoves = (from: number) => {
    const soon = Math.min(m.n - 1, from + Math.round(0.08 / m.dt));
    for (let i = from; i <= soon; i++) if (parts[1]![i]! >= STILL_SPEED) return true;
    return false;
  };
  // Hands that have not started are where they start from: standing still elsewhere (a ball is
  // placed, a line looked at) is no address.
  const there = (i: number) =>
    Math.hypot(m.handsT[i]! - m.handsT[end]!, m.handsU[i]! - m.handsU[end]!) <
      ELSEWHERE * m.statureCm && Math.abs(m.hipT[i]! - m.hipT[end]!) < ELSEWHERE * m.statureCm;
  const spell = (limit: number): [from: number, to: number] | null => {
    const still = (i: number) => parts.every((p) => p[i]! < limit) && stands(toMs(m, i));
    for (let to = end; to >= earliest; to--) {
      if (!still(to)) continue;
      let from = to;
      while (from > 0 && still(from - 1)) from--;
      if (to - from + 1 >= need && there(to)) return [from, to];
      to = from;
    }
    return null;
  };
  const strict = spell(STILL_SPEED);
  const loose = spell(JITTERY_SPEED);
  const later = (a: typeof strict, b: typeof strict) =>
    a && !(b && (b[1] - a[1]) * m.dt * 1000 > LATER_MS) ? a : b;
  const last = later(strict, strict ? later(loose, spell(RESTLESS_SPEED)) : loose);
  // A body that has been still and set off long before its hands has stepped meanwhile; else it
  // came to rest again, unseen.
  const steps = (from: number) => leaves(m, handStartMs).some((ms) => ms > from);
  const old =
    last !== null &&
    handStartMs - toMs(m, last[1]) > LATER_MS &&
    !(rules.kind !== "swing" && steps(toMs(m, last[1])));
  const found = old ? null : last;
  const since = Math.max(earliest, end - Math.round(SETTLES_MS / 1000 / m.dt));
  const quiet = found ? null : settling(parts, since, end, need);
  if (quiet !== null)
    return {
      ms: toMs(m, quiet) + EVENT_FIT.addressLateMs,
      moving: false,
      fromMs: toMs(m, quiet - need),
      bodyFirst: false,
    };
  if (found)
    return {
      ms: toMs(m, found[1]) + EVENT_FIT.addressLateMs,
      moving: false,
      fromMs: toMs(m, found[0]),
      bodyFirst: bodyMoves(found[1]),
    };
  const short = Math.max(2, Math.round(0.1 / m.dt));
  let best = since;
  let quietest = Infinity;
  for (let i = since; i + short <= end; i++) {
    let sum = 0;
    for (let k = i; k < i + short; k++) for (const p of parts) sum += p[k]!;
    if (sum < quietest) {
      quietest = sum;
      best = i;
    }
  }
  return { ms: toMs(m, best + short), moving: true, fromMs: toMs(m, best), bodyFirst: false };
}

/** Times before an instant at which a foot leaves its place for another, ms. */
const leaves = (m: Motion, beforeMs: number): number[] =>
  (["lead", "trail"] as const).flatMap((side) =>
    m.feet[side].spells
      .filter((s, i, all) => s.toMs < beforeMs && !(all[i + 1] && samePlace(s, all[i + 1]!)))
      .map((s) => s.toMs),
  );

/** A step longer before the hands than this was one to the ball, ms. */
const OWN_STEP_MS = 1000;

/** When a rep's own first step began, if one did before its hands; else ∞. */
function lastStep(m: Motion, handStartMs: number): number {
  return (
    leaves(m, handStartMs)
      .filter((ms) => ms > handStartMs - OWN_STEP_MS)
      .sort((a, b) => b - a)[0] ?? Infinity
  );
}

/**
 * Hands or hips farther than this from where they start are elsewhere: share of stature (20 cm at
 * 178: a step before the hands carries both along).
 */
const ELSEWHERE = 0.11;
/**
 * Points that never come to rest: the quietest spell this shortly before the hands start stands for
 * it, if it is quiet enough, ms and cm/s.
 */
const SETTLES_MS = 900;
const SETTLED_SPEED = 9;

/** Last sample of the quietest stretch of `need` samples; null when it is not quiet. */
function settling(parts: Float64Array[], from: number, end: number, need: number): number | null {
  let best: number | null = null;
  let least = SETTLED_SPEED;
  for (let i = from + need; i <= end; i++) {
    let worst = 0;
    for (const p of parts) {
      let sum = 0;
      for (let k = i - need; k < i; k++) sum += p[k]! / need;
      worst = Math.max(worst, sum);
    }
    if (worst < least) [best, least] = [i, worst];
  }
  return best;
}

/** Two spells in one place this near in time are one, whose points jittered in between, ms. */
const JITTERED_MS = 350;

function standing(spells: Motion["feet"]["lead"]["spells"], ms: number): boolean {
  return spells.some((s, i) => {
    if (ms >= s.fromMs && ms <= s.toMs) return true;
    const next = spells[i + 1];
    return (
      next !== undefined &&
      ms > s.toMs &&
      ms < next.fromMs &&
      next.fromMs - s.toMs < JITTERED_MS &&
      samePlace(s, next)
    );
  });
}
