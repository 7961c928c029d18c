import type { LumaWindow } from "./lumaWindow";

/** A piece of picture to be found again: brightness, its slopes, and the 2 × 2 normal matrix of a translation fit. */
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

/** The mean of the same box over several still pictures (averaging takes the sensor's noise out). */
export function template(windows: LumaWindow[], left: number, top: number, width: number, height: number): Template {
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

/**
 * Finds a template in a window: whole-pixel search within `reach` of a guess, then a translation fit to parts of a
 * pixel (inverse compositional Lucas–Kanade). Null where the place would leave the window or the picture has no structure.
 */
export function match(t: Template, w: LumaWindow, guessX: number, guessY: number, reach: number): Match | null {
  const [xx, xy, yy] = t.normal;
  const det = xx * yy - xy * xy;
  if (det < 1e-3 * xx * yy || det === 0) return null;
  const gx = Math.round(guessX);
  const gy = Math.round(guessY);
  let best = Infinity;
  let bx = 0;
  let by = 0;
  for (let oy = gy - reach; oy <= gy + reach; oy++)
    for (let ox = gx - reach; ox <= gx + reach; ox++) {
      if (!fits(t, w, ox, oy, 0)) continue;
      let sum = 0;
      for (let y = 0, i = 0; y < t.height && sum < best; y++) {
        let at = (t.top + oy + y - w.top) * w.width + t.left + ox - w.left;
        for (let x = 0; x < t.width; x++) sum += Math.abs(w.data[at++]! - t.value[i++]!);
      }
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
    let ex = 0;
    let ey = 0;
    let sum = 0;
    const fx = Math.floor(dx);
    const fy = Math.floor(dy);
    const tx = dx - fx;
    const ty = dy - fy;
    for (let y = 1; y < t.height - 1; y++) {
      let at = (t.top + fy + y - w.top) * w.width + t.left + fx + 1 - w.left;
      for (let x = 1; x < t.width - 1; x++, at++) {
        const i = y * t.width + x;
        const a = w.data[at]! + (w.data[at + 1]! - w.data[at]!) * tx;
        const b = w.data[at + w.width]! + (w.data[at + w.width + 1]! - w.data[at + w.width]!) * tx;
        const e = a + (b - a) * ty - t.value[i]!;
        ex += e * t.slopeX[i]!;
        ey += e * t.slopeY[i]!;
        sum += Math.abs(e);
      }
    }
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
  return left >= 0 && top >= 0 && left + t.width + margin <= w.width && top + t.height + margin <= w.height;
}

function sample(w: LumaWindow, x: number, y: number): number {
  const cx = Math.min(Math.max(x - w.left, 0), w.width - 1);
  const cy = Math.min(Math.max(y - w.top, 0), w.height - 1);
  return w.data[cy * w.width + cx]!;
}
