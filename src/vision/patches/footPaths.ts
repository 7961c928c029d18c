import { firstWhere } from "../../core/maths";
import type { PlantedSpell, FootPath } from "../../core/track";
import type { LumaWindow } from "./lumaWindow";
import { match, template } from "./template";

/**
 * How far beyond a spell a foot is followed, ms: long enough to see it leave, and to see it land
 * where the network's points settle late.
 */
const BEYOND_MS = 260;
const BEFORE_MS = 480;
/** Frames averaged into a template, at most. */
const AVERAGED = 15;

/**
 * Follows a shoe and its two ends through one spell on the ground and a little beyond both ends, by
 * the template of the foot at rest: forward from the middle of the spell to see it leave, backward
 * to see it land.
 *
 * @param cm px of one centimetre, roughly
 */
export function footPaths(
  spell: PlantedSpell,
  windows: LumaWindow[],
  times: Float64Array,
  cm: number,
): FootPath[] {
  const parts: [FootPath["part"], ReturnType<typeof boxOf>][] = [
    ["whole", boxOf([spell.ankle, spell.heel, spell.toe], 4, cm)],
    ["heel", boxOf([spell.ankle, spell.heel], 4, cm)],
    ["toe", boxOf([spell.toe], 4.5, cm)],
  ];
  const centre = (spell.from + spell.to) >> 1;
  const earliest = Math.max(0, firstAtLeast(times, times[spell.from]! - BEFORE_MS));
  const latest = Math.min(times.length - 1, firstAtLeast(times, times[spell.to]! + BEYOND_MS));
  return parts.map(([part, b]) => {
    const n = latest - earliest + 1;
    const path: FootPath = {
      foot: spell.foot,
      part,
      plantedFrom: spell.from,
      plantedTo: spell.to,
      from: earliest,
      dx: new Float32Array(n).fill(NaN),
      dy: new Float32Array(n).fill(NaN),
      residual: new Float32Array(n).fill(NaN),
    };
    // Each end has its own template, made near that end: a shoe that has rolled a little in between
    // is still its own likeness.
    const follow = (end: number, step: 1 | -1) => {
      const inner =
        step === 1 ? Math.max(centre, end - AVERAGED - 6) : Math.min(centre, end + AVERAGED + 6);
      const from = Math.min(inner, inner + step * AVERAGED);
      const still = windows.slice(
        Math.max(spell.from, from),
        Math.min(spell.to, from + AVERAGED) + 1,
      );
      const t = template(still, b.left, b.top, b.width, b.height);
      let x = 0;
      let y = 0;
      for (let i = centre; step === 1 ? i <= latest : i >= earliest; i += step) {
        const m = match(t, windows[i]!, x, y, 3);
        if (!m) break;
        path.dx[i - earliest] = x = m.dx;
        path.dy[i - earliest] = y = m.dy;
        path.residual[i - earliest] = m.residual;
      }
    };
    follow(spell.to, 1);
    follow(spell.from, -1);
    return path;
  });
}

/** A rising heel is followed until this long after a swing's lowest hands, ms. */
const RISE_MS = 700;
/** A foot whose spell ended so long before a swing's top does not stand there any more, ms. */
const EARLY_MS = 120;
/**
 * A foot that has just landed has stood for this many frames at least before its likeness is taken.
 */
const FEWEST_STILL = 5;

/**
 * The upper of the standing shoe followed from the top of a swing on, by its likeness as it stood
 * before it: between ankle and sole, no trouser leg (which leans over the shoe before the heel
 * rises) and no ground (which stays). Seen from the front a heel rises hidden behind its own shoe,
 * so the picture moves by less than the heel does; but it begins to move when the heel does. Boxes
 * of heel and ankle, with and without a margin, find fewer rises (docs/decisions/12). A foot that
 * steps out at the top is followed from its landing on. Null when the foot does not stand then.
 *
 * @param top frame of the swing's top; @param low of its lowest hands
 */
export function risePath(
  spell: PlantedSpell,
  windows: LumaWindow[],
  times: Float64Array,
  cm: number,
  top: number,
  low: number,
): FootPath | null {
  const first = Math.max(spell.from + 2, top - AVERAGED);
  // A heel that rises from the top on ends its foot's spell a little before the arms' highest.
  const stillUntil = Math.max(Math.min(top, spell.to), first + FEWEST_STILL);
  if (stillUntil > low || spell.to < stillUntil || times[top]! - times[spell.to]! > EARLY_MS)
    return null;
  const last = Math.min(times.length - 1, firstAtLeast(times, times[low]! + RISE_MS));
  const n = last - first + 1;
  const path: FootPath = {
    foot: spell.foot,
    part: "rise",
    plantedFrom: spell.from,
    plantedTo: spell.to,
    from: first,
    dx: new Float32Array(n).fill(NaN),
    dy: new Float32Array(n).fill(NaN),
    residual: new Float32Array(n).fill(NaN),
  };
  const box = upperOf(spell, cm);
  const t = template(
    windows.slice(first, stillUntil + 1),
    box.left,
    box.top,
    box.width,
    box.height,
  );
  let [dx, dy] = [0, 0];
  for (let i = first; i <= last; i++) {
    const m = match(t, windows[i]!, dx, dy, 3);
    if (!m) break;
    path.dx[i - first] = dx = m.dx;
    path.dy[i - first] = dy = m.dy;
    path.residual[i - first] = m.residual;
  }
  return path;
}

/** From the ankle down to just over the sole, as wide as the shoe. */
function upperOf({ ankle, heel, toe }: PlantedSpell, cm: number) {
  const whole = boxOf([ankle, heel, toe], 0, cm);
  const aside = Math.round(3 * cm);
  return {
    left: whole.left - aside,
    top: whole.top,
    width: whole.width + 2 * aside,
    height: Math.max(6, whole.height - Math.round(cm)),
  };
}

/** The box of whole pixels round points, with a margin in cm. */
function boxOf(points: [number, number][], margin: number, cm: number) {
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const left = Math.round(Math.min(...xs) - margin * cm);
  const top = Math.round(Math.min(...ys) - margin * cm);
  return {
    left,
    top,
    width: Math.round(Math.max(...xs) + margin * cm) - left,
    height: Math.round(Math.max(...ys) + margin * cm) - top,
  };
}

/** First frame at or after a time; the last where none is. */
const firstAtLeast = (times: Float64Array, t: number): number =>
  Math.min(
    times.length - 1,
    firstWhere(times.length, (i) => times[i]! >= t),
  );
