// AssemblyScript: see ../../patches/template.ts for what it is for.
import { samples } from "./samples";

/**
 * Sum of the absolute differences between a template and a window at a whole-pixel place.
 *
 * @param value the template's brightness, floats, `width` × `height`
 * @param at the window's sample under the template's first; `stride` a row
 * @param enough the sum may stop short once it is above this
 */
export function difference(value: usize, width: i32, height: i32, at: usize, stride: i32, enough: f32): f32 {
  let sum: f32 = 0;
  const whole = width & ~3;
  for (let y = 0; y < height; y++) {
    let four = f32x4.splat(0);
    let x = 0;
    for (; x < whole; x += 4) four = f32x4.add(four, f32x4.abs(f32x4.sub(samples(at + x), v128.load(value + (x << 2)))));
    sum += total(four);
    for (; x < width; x++) sum += abs<f32>(<f32>load<u8>(at + x) - load<f32>(value + (x << 2)));
    if (sum > enough) return sum;
    value += width << 2;
    at += stride;
  }
  return sum;
}

/**
 * What one step of a translation fit needs, over the template's inner samples: the sums of error ×
 * slope along x and y, and of the error's size; written as three floats.
 *
 * @param at the window's sample under the template's first, rounded down; @param tx @param ty parts
 * of a pixel beyond it
 */
export function fitSums(value: usize, slopeX: usize, slopeY: usize, width: i32, height: i32, at: usize, stride: i32, tx: f32, ty: f32, out: usize): void {
  let ex = f32x4.splat(0);
  let ey = f32x4.splat(0);
  let size = f32x4.splat(0);
  let exRest: f32 = 0;
  let eyRest: f32 = 0;
  let sizeRest: f32 = 0;
  const shareX = f32x4.splat(tx);
  const shareY = f32x4.splat(ty);
  const end = 1 + ((width - 2) & ~3);
  for (let y = 1; y < height - 1; y++) {
    const above = at + y * stride;
    const below = above + stride;
    const row = (y * width) << 2;
    let x = 1;
    for (; x < end; x += 4) {
      const i = row + (x << 2);
      const a = mix(samples(above + x), samples(above + x + 1), shareX);
      const b = mix(samples(below + x), samples(below + x + 1), shareX);
      const e = f32x4.sub(mix(a, b, shareY), v128.load(value + i));
      ex = f32x4.add(ex, f32x4.mul(e, v128.load(slopeX + i)));
      ey = f32x4.add(ey, f32x4.mul(e, v128.load(slopeY + i)));
      size = f32x4.add(size, f32x4.abs(e));
    }
    for (; x < width - 1; x++) {
      const i = row + (x << 2);
      const a = <f32>load<u8>(above + x) + (<f32>load<u8>(above + x + 1) - <f32>load<u8>(above + x)) * tx;
      const b = <f32>load<u8>(below + x) + (<f32>load<u8>(below + x + 1) - <f32>load<u8>(below + x)) * tx;
      const e = a + (b - a) * ty - load<f32>(value + i);
      exRest += e * load<f32>(slopeX + i);
      eyRest += e * load<f32>(slopeY + i);
      sizeRest += abs<f32>(e);
    }
  }
  store<f32>(out, total(ex) + exRest);
  store<f32>(out, total(ey) + eyRest, 4);
  store<f32>(out, total(size) + sizeRest, 8);
}

// @ts-ignore: decorator
@inline
function mix(a: v128, b: v128, share: v128): v128 {
  return f32x4.add(a, f32x4.mul(f32x4.sub(b, a), share));
}

// @ts-ignore: decorator
@inline
function total(v: v128): f32 {
  return f32x4.extract_lane(v, 0) + f32x4.extract_lane(v, 1) + f32x4.extract_lane(v, 2) + f32x4.extract_lane(v, 3);
}
