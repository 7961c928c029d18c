import { samePlace, type FootFollow, type FootMotion } from "../../motion";
import { heelRises } from "./heelRise";
import type { View } from "../../scene";
import type { SideName } from "../../track";

export interface FootEvent {
  foot: SideName;
  event: "heelUp" | "heelDown" | "liftOff" | "landing";
  ms: number;
  /** Not followed in the picture: told by when the network's points stand. */
  rough?: boolean;
  /** By the golfer. */
  overridden?: boolean;
}

/** Height that tells a foot from the ground, cm (docs/movement.md). */
const OFF_GROUND = 1.5;
/**
 * The likeness of a standing heel is made over a quarter second before a swing's rough top; one that
 * rises counts from so long after its beginning, ms, for the true top may be a little earlier.
 */
const BEFORE_RISE_MS = 190;
/** Of a foot followed from its landing on: only over this long (five pictures). */
const AFTER_LANDING_MS = 85;
/** How well the network's points tell when a foot stands, ms. */
const SURE_MS = 150;

/**
 * When a foot leaves and lands: its heel and toe, as followed in the picture, rise through 1.5 cm
 * after a spell on the ground (the later of the two is the lift-off) and fall through it before the
 * next (the earlier is the landing). Heights count from the foot's place at rest in that spell.
 */
export function footEvents(foot: SideName, motion: FootMotion, view: View): FootEvent[] {
  const out: FootEvent[] = [];
  const offs: number[] = [];
  const landings: number[] = [];
  motion.spells.forEach((spell, i) => {
    // The network's points tell to a tenth of a second or so when a foot stands: the picture is
    // asked from there on, so that a club passing before the shoe in mid-spell is not taken for a
    // step.
    const middle = (spell.fromMs + spell.toMs) / 2;
    const afterLanding = Math.min(middle, spell.fromMs + SURE_MS);
    const beforeLeaving = Math.max(middle, spell.toMs - SURE_MS);
    landings.push(i > 0 ? both(spell, afterLanding, -1, Math.min) : NaN);
    offs.push(i < motion.spells.length - 1 ? both(spell, beforeLeaving, 1, Math.max) : NaN);
    // From behind, shoe and shin turn together: no likeness tells the one from the other
    // (docs/decisions/08).
    for (const rise of view === "face-on" ? spell.rises : []) {
      const landed = i > 0 && rise.times[0]! - spell.fromMs < AFTER_LANDING_MS;
      const up = heelRises(rise, rise.times[0]! + (landed ? AFTER_LANDING_MS : BEFORE_RISE_MS));
      if (!Number.isNaN(up)) out.push({ foot, event: "heelUp", ms: up });
    }
  });
  for (let i = 1; i < motion.spells.length; i++) {
    if (stayed(motion.spells[i - 1]!, motion.spells[i]!)) continue;
    const [off, landing] = inOrder(
      offs[i - 1]!,
      landings[i]!,
      motion.spells[i - 1]!.toMs,
      motion.spells[i]!.fromMs,
    );
    if (!Number.isNaN(off)) out.push({ foot, event: "liftOff", ms: off });
    if (!Number.isNaN(landing)) out.push({ foot, event: "landing", ms: landing });
  }
  return out.sort((a, b) => a.ms - b.ms);
}

/**
 * Whether a foot stood in one place through two spells, by the lowest edge of its picture: what a
 * likeness told there was a club passing.
 */
const stayed = (a: FootMotion["spells"][number], b: FootMotion["spells"][number]): boolean =>
  a.rests[1] !== a.toMs && b.rests[0] !== b.fromMs && a.rests[1] >= b.rests[0] && samePlace(a, b);

/** A contact farther than this from the end of its spell, where its order is wrong, is none, ms. */
const FAR_MS = 300;

/**
 * No foot lands before it has left: of two contacts in that order the one nearer to the end of its
 * own spell counts, if it is near.
 */
function inOrder(
  off: number,
  landing: number,
  leaves: number,
  stands: number,
): [off: number, landing: number] {
  if (!(off >= landing)) return [off, landing];
  const [a, b] = [Math.abs(off - leaves), Math.abs(landing - stands)];
  if (Math.min(a, b) > FAR_MS) return [NaN, NaN];
  return a < b ? [off, NaN] : [NaN, landing];
}

/** When both ends of the shoe have passed 1.5 cm; NaN while one of them is seen to stay down. */
function both(
  spell: FootMotion["spells"][number],
  from: number,
  way: 1 | -1,
  pick: (a: number, b: number) => number,
): number {
  const heel = cross(spell.heel, from, way);
  const toe = cross(spell.toe, from, way);
  const whole = cross(spell.whole, from, way);
  const other = Number.isNaN(heel) ? whole : heel;
  if (
    Number.isNaN(toe) &&
    staysDown(spell.toe, other, way) &&
    !(way === -1 && comesDown(spell.whole, whole))
  )
    return NaN;
  return later(heel, toe, whole, pick);
}

/** Followed for 100 ms beyond an instant, and under 1.5 cm all that while. */
function staysDown(f: FootFollow, ms: number, way: 1 | -1): boolean {
  const span = Array.from(f.u).filter(
    (_, k) => (f.times[k]! - ms) * way > 0 && (f.times[k]! - ms) * way < 100,
  );
  return span.length > 0 && span.every((u) => u < OFF_GROUND);
}

/**
 * A shoe whose whole picture was this far up just before it landed did not stand on its toe, cm: a
 * toe that seems to stay has been lost to the ground.
 */
const IN_THE_AIR = 4;

const comesDown = (f: FootFollow, ms: number): boolean =>
  f.u.some((u, k) => f.times[k]! < ms && f.times[k]! > ms - 100 && u > IN_THE_AIR);

/** Heel and toe both followed: their later (earlier) crossing; else that of the whole shoe. */
function later(
  heel: number,
  toe: number,
  whole: number,
  pick: (a: number, b: number) => number,
): number {
  if (Number.isNaN(heel) || Number.isNaN(toe)) return whole;
  // The heel's likeness is the less certain of the two (half hidden by the shoe): it counts only
  // where it agrees.
  return Math.abs(heel - toe) < 60 ? pick(heel, toe) : toe;
}

/**
 * Time at which a followed part first passes 1.5 cm going forward (or backward) in time from
 * `from`; NaN if never.
 */
function cross(f: FootFollow, from: number, way: 1 | -1): number {
  const n = f.times.length;
  let i = way === 1 ? 0 : n - 1;
  while (i >= 0 && i < n && (way === 1 ? f.times[i]! < from : f.times[i]! > from)) i += way;
  for (; i + way >= 0 && i + way < n; i += way) {
    const a = f.u[i]!;
    const b = f.u[i + way]!;
    if (a <= OFF_GROUND && b > OFF_GROUND)
      return f.times[i]! + ((f.times[i + way]! - f.times[i]!) * (OFF_GROUND - a)) / (b - a);
  }
  return NaN;
}
