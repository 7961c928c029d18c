import { Kernel } from "../kernel";
import type { LumaWindow } from "./lumaWindow";

/**
 * A piece of picture to be found again: brightness, its slopes, and the 2 × 2 normal matrix of a
 * translation fit.
 */
export interface Template {
  /** Picture px of the top left sample. */
  left: number;
  top: number;
  width: number;
  height: number;
  value: Float32Array;
  slopeX: Float32Array;
  slopeY: Float32Array;
  normal: [xx: number, xy: number, yy: number];
}

/**
 * The mean of the same box over several still pictures (averaging takes the sensor's noise out).
 */
export function template(
  windows: LumaWindow[],
  left: number,
  top: number,
  width: number,
  height: number,
): Template {
  const value = new Float32Array(width * height);
  for (const w of windows)
    for (let y = 0, i = 0; y < height; y++)
      for (let x = 0; x < width; x++) value[i++]! += sample(w, left + x, top + y) / windows.length;
  const slopeX = new Float32Array(width * height);
  const slopeY = new Float32Array(width * height);
  let [xx, xy, yy] = [0, 0, 0];
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      const gx = (value[i + 1]! - value[i - 1]!) / 2;
      const gy = (value[i + width]! - value[i - width]!) / 2;
      slopeX[i] = gx;
      slopeY[i] = gy;
      xx += gx * gx;
      xy += gx * gy;
      yy += gy * gy;
    }
  return { left, top, width, height, value, slopeX, slopeY, normal: [xx, xy, yy] };
}

export interface Match {
  dx: number;
  dy: number;
  /** Mean absolute difference, 0–255. */
  residual: number;
}

/** The matching loops and their memory: a template at a time, and behind it a window. */
class Matcher {
  private readonly kernel = new Kernel();
  private placed: Template | null = null;
  private value = 0;
  private slopes = [0, 0];
  private sums = 0;
  private behind = 0;
  private window = 0;
  private readonly three = new Float32Array(3);

  /** Puts a template and a window in place. */
  set(t: Template, w: LumaWindow): void {
    const { kernel } = this;
    if (t !== this.placed) {
      kernel.reset();
      this.value = kernel.place(t.value);
      this.slopes = [kernel.place(t.slopeX), kernel.place(t.slopeY)];
      this.sums = kernel.room(12);
      this.behind = kernel.mark();
      this.placed = t;
    }
    kernel.backTo(this.behind);
    this.window = kernel.place(w.data);
  }

  /**
   * Sum of absolute differences at a whole-pixel place; some sum above `enough` as soon as it is
   * above it.
   */
  difference(t: Template, w: LumaWindow, x: number, y: number, enough: number): number {
    return this.kernel.loops.difference(
      this.value,
      t.width,
      t.height,
      this.window + y * w.width + x,
      w.width,
      enough,
    );
  }

  /**
   * Sums of error × slope along x and y, and of the error's size, at a place of parts of a pixel.
   */
  fit(t: Template, w: LumaWindow, x: number, y: number): Float32Array {
    const [fx, fy] = [Math.floor(x), Math.floor(y)];
    this.kernel.loops.fitSums(
      this.value,
      this.slopes[0]!,
      this.slopes[1]!,
      t.width,
      t.height,
      this.window + fy * w.width + fx,
      w.width,
      x - fx,
      y - fy,
      this.sums,
    );
    this.kernel.read(this.sums, this.three);
    return this.three;
  }
}

let matcher: Matcher | null = null;

/**
 * Finds a template in a window: whole-pixel search within `reach` of a guess, then a translation
 * fit to parts of a pixel (inverse compositional Lucas–Kanade). Null where the place would leave
 * the window or the picture has no structure.
 */
export function match(
  t: Template,
  w: LumaWindow,
  guessX: number,
  guessY: number,
  reach: number,
): Match | null {
  const [xx, xy, yy] = t.normal;
  const det = xx * yy - xy * xy;
  if (det < 1e-3 * xx * yy || det === 0) return null;
  const loops = (matcher ??= new Matcher());
  loops.set(t, w);
  const [left, top] = [t.left - w.left, t.top - w.top];
  const gx = Math.round(guessX);
  const gy = Math.round(guessY);
  // The guess is nearly right as a rule: a place that is worse than it after a few rows need not be
  // looked at further.
  const known = fits(t, w, gx, gy, 0)
    ? loops.difference(t, w, left + gx, top + gy, Infinity)
    : Infinity;
  let best = Infinity;
  let bx = 0;
  let by = 0;
  for (let oy = gy - reach; oy <= gy + reach; oy++)
    for (let ox = gx - reach; ox <= gx + reach; ox++) {
      if (!fits(t, w, ox, oy, 0)) continue;
      const sum =
        ox === gx && oy === gy
          ? known
          : loops.difference(t, w, left + ox, top + oy, Math.min(best, known));
      if (sum < best) {
        best = sum;
        bx = ox;
        by = oy;
      }
    }
  if (best === Infinity) return null;
  let dx = bx;
  let dy = by;
  let residual = best / (t.width * t.height);
  for (let pass = 0; pass < 8; pass++) {
    if (!fits(t, w, dx, dy, 1)) return null;
    const [ex, ey, sum] = loops.fit(t, w, left + dx, top + dy) as unknown as [
      number,
      number,
      number,
    ];
    residual = sum / ((t.width - 2) * (t.height - 2));
    const mx = (yy * ex - xy * ey) / det;
    const my = (xx * ey - xy * ex) / det;
    dx -= mx;
    dy -= my;
    if (Math.abs(dx - bx) > 2 || Math.abs(dy - by) > 2) return { dx: bx, dy: by, residual };
    if (Math.hypot(mx, my) < 0.002) break;
  }
  return { dx, dy, residual };
}

function fits(t: Template, w: LumaWindow, dx: number, dy: number, margin: number): boolean {
  const left = t.left + Math.floor(dx) - w.left;
  const top = t.top + Math.floor(dy) - w.top;
  return (
    left >= 0 &&
    top >= 0 &&
    left + t.width + margin <= w.width &&
    top + t.height + margin <= w.height
  );
}

function sample(w: LumaWindow, x: number, y: number): number {
  const cx = Math.min(Math.max(x - w.left, 0), w.width - 1);
  const cy = Math.min(Math.max(y - w.top, 0), w.height - 1);
  return w.data[cy * w.width + cx]!;
}
