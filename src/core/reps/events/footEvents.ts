import type { FootFollow, FootMotion } from "../../motion/footMotion";
import type { SideName } from "../../track/sides";

export interface FootEvent {
  foot: SideName;
  event: "heelUp" | "heelDown" | "liftOff" | "landing";
  ms: number;
}

/** Height that tells a foot from the ground, cm, and the rise a heel must reach to have left (MOVEMENT). */
const OFF_GROUND = 1.5;
const HEEL_RISE = 3;

/**
 * When a foot leaves and lands: its heel and toe, as followed in the picture, rise through 1.5 cm after a spell on the
 * ground (the later of the two is the lift-off) and fall through it before the next (the earlier is the landing).
 * Heights count from the foot's place at rest in that spell.
 */
export function footEvents(foot: SideName, motion: FootMotion): FootEvent[] {
  const out: FootEvent[] = [];
  motion.spells.forEach((spell, i) => {
    const middle = (spell.fromMs + spell.toMs) / 2;
    if (i > 0) {
      const landing = later(cross(spell.heel, middle, -1), cross(spell.toe, middle, -1), cross(spell.whole, middle, -1), Math.min);
      if (!Number.isNaN(landing)) out.push({ foot, event: "landing", ms: landing });
    }
    if (i < motion.spells.length - 1) {
      const off = later(cross(spell.heel, middle, 1), cross(spell.toe, middle, 1), cross(spell.whole, middle, 1), Math.max);
      if (!Number.isNaN(off)) out.push({ foot, event: "liftOff", ms: off });
    }
    const up = cross(spell.heel, middle, 1);
    if (!Number.isNaN(up) && Math.max(...spell.heel.u.filter((u, k) => spell.heel.times[k]! >= middle && !Number.isNaN(u))) >= HEEL_RISE)
      out.push({ foot, event: "heelUp", ms: up });
  });
  return out.sort((a, b) => a.ms - b.ms);
}

/** Heel and toe both followed: their later (earlier) crossing; else that of the whole shoe. */
function later(heel: number, toe: number, whole: number, pick: (a: number, b: number) => number): number {
  if (Number.isNaN(heel) || Number.isNaN(toe)) return whole;
  // The heel's likeness is the less certain of the two (half hidden by the shoe): it counts only where it agrees.
  return Math.abs(heel - toe) < 60 ? pick(heel, toe) : toe;
}

/** Time at which a followed part first passes 1.5 cm going forward (or backward) in time from `from`; NaN if never. */
function cross(f: FootFollow, from: number, way: 1 | -1): number {
  const n = f.times.length;
  let i = way === 1 ? 0 : n - 1;
  while (i >= 0 && i < n && (way === 1 ? f.times[i]! < from : f.times[i]! > from)) i += way;
  for (; i + way >= 0 && i + way < n; i += way) {
    const a = f.u[i]!;
    const b = f.u[i + way]!;
    if (a <= OFF_GROUND && b > OFF_GROUND) return f.times[i]! + ((f.times[i + way]! - f.times[i]!) * (OFF_GROUND - a)) / (b - a);
  }
  return NaN;
}
