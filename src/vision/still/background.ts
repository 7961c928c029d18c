import { uprightSize, type Box, type Frame } from "../decode";
import { lumaWindow, type LumaWindow, match, template, type Template } from "../patches";

const SIDE = 32;
/**
 * Corners are looked for this far apart, px: a coarser search misses the few that a plain wall has.
 */
const STEP = SIDE / 2;
const REACH = 6;
const PATCHES = 8;
/** Least strength of a patch a pixel, grey levels²: the sensor's noise alone makes about 2. */
const STRENGTH = 2.5;
/**
 * A patch that seems to go this far between the first two looks is held by noise, px: it is left
 * out while others stand.
 */
const HELD = 0.5;
/** A patch whose match is this many grey levels worse than at first has lost its place. */
const LOST = 14;
/**
 * What is said when most patches have lost their place: farther than any of them can be followed.
 */
const FAR = 99;

/**
 * Watches what should stand still: a few patches of the background, away from the golfer, found
 * again in later pictures. How far the median one has moved tells a phone that sags or was knocked
 * from a golfer who moves.
 */
export class Background {
  private looked = false;
  private patches: {
    t: Template;
    left: number;
    top: number;
    dx: number;
    dy: number;
    first: number;
  }[] = [];

  /** @param avoid where the golfer is, px */
  constructor(frame: Frame, avoid: Box) {
    const [width, height] = uprightSize(frame);
    const found: { t: Template; left: number; top: number; strength: number }[] = [];
    const margin = SIDE;
    for (let top = margin; top + SIDE + margin <= height; top += STEP)
      for (let left = margin; left + SIDE + margin <= width; left += STEP) {
        if (
          left + SIDE > avoid.left &&
          left < avoid.right &&
          top + SIDE > avoid.top &&
          top < avoid.bottom
        )
          continue;
        const t = template([lumaWindow(frame, left, top, SIDE, SIDE)], left, top, SIDE, SIDE);
        const [xx, xy, yy] = t.normal;
        // The weaker of the two directions decides how well a patch is held (smaller eigenvalue).
        const strength = (xx + yy) / 2 - Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);
        found.push({ t, left, top, strength });
      }
    found.sort((a, b) => b.strength - a.strength);
    for (const f of found) {
      if (this.patches.length >= PATCHES || f.strength < SIDE * SIDE * STRENGTH) break;
      if (this.patches.every((p) => Math.hypot(p.left - f.left, p.top - f.top) > width / 8))
        this.patches.push({ ...f, dx: 0, dy: 0, first: 0 });
    }
    for (const p of this.patches) p.first = this.find(p, this.window(frame, p))?.residual ?? 0;
  }

  /**
   * Median way that the patches have moved since the first picture, px; `FAR` when most are lost;
   * null without patches.
   */
  moved(frame: Frame): number | null {
    if (this.patches.length < 3) return null;
    if (!this.looked) this.drop(frame);
    const ways: number[] = [];
    let lost = 0;
    for (const p of this.patches) {
      const m = this.find(p, this.window(frame, p));
      if (!m || m.residual > p.first + LOST) {
        lost++;
        continue;
      }
      p.dx = m.dx;
      p.dy = m.dy;
      ways.push(Math.hypot(m.dx, m.dy));
    }
    if (lost > this.patches.length / 2) return FAR;
    ways.sort((a, b) => a - b);
    return ways[ways.length >> 1]!;
  }

  private drop(frame: Frame): void {
    this.looked = true;
    const held = this.patches.filter((p) => {
      const m = this.find(p, this.window(frame, p));
      return m !== null && Math.hypot(m.dx, m.dy) < HELD;
    });
    if (held.length >= 3) this.patches = held;
  }

  private window(
    frame: Frame,
    p: { left: number; top: number; dx: number; dy: number },
  ): LumaWindow {
    const pad = REACH + 3;
    return lumaWindow(
      frame,
      p.left + Math.round(p.dx) - pad,
      p.top + Math.round(p.dy) - pad,
      SIDE + 2 * pad,
      SIDE + 2 * pad,
    );
  }

  private find(p: { t: Template; dx: number; dy: number }, w: LumaWindow) {
    return match(p.t, w, p.dx, p.dy, REACH);
  }
}

/** Mean brightness (0–255) of a box, from a grid of samples. */
export function brightness(frame: Frame, box: Box): number {
  const w = lumaWindow(
    frame,
    Math.round(box.left),
    Math.round(box.top),
    Math.max(8, Math.round(box.right - box.left)),
    Math.max(8, Math.round(box.bottom - box.top)),
  );
  let sum = 0;
  let n = 0;
  for (let y = 0; y < w.height; y += Math.max(1, w.height >> 5))
    for (let x = 0; x < w.width; x += Math.max(1, w.width >> 4), n++)
      sum += w.data[y * w.width + x]!;
  return sum / n;
}
