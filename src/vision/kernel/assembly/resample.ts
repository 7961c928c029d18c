// AssemblyScript, compiled to WebAssembly by `npm run kernel`: see ../../crop/resample.ts for what
// it is for. All addresses are bytes of the module's own memory, which the caller lays out.
import { samples } from "./samples";

/**
 * Groups of four neighbouring outputs along the second axis, ready to be made into colours: one a
 * plane.
 */
const LUMA: i32 = 0;
const CB: i32 = 1;
const CR: i32 = 2;

/** Table of one axis: first source sample of each output, and `taps` weights each. */
@unmanaged
class Axis {
  from: usize;
  weight: usize;
  taps: i32;
}

/**
 * A plane that is cut: its samples (one byte each, `stride` a row), and its axes along rows and
 * down columns.
 */
@unmanaged
class Plane {
  data: usize;
  stride: i32;
  /** Source samples of a row that count: from `first`, `width` of them. */
  first: i32;
  width: i32;
  along: Axis;
  down: Axis;
}

/** How samples become colours, and where they go. */
@unmanaged
class Colours {
  lumaBase: f32;
  lumaGain: f32;
  rv: f32;
  gu: f32;
  gv: f32;
  bu: f32;
  low: f32;
  span: f32;
  /** Share of each output that is inside the picture, along rows and down columns. */
  insideAlong: usize;
  insideDown: usize;
  /** Bytes from one output to the next, along a source row and down a source column. */
  stepAlong: i32;
  stepDown: i32;
  out: usize;
}

/**
 * Area-averages three planes to n × n and writes red, green and blue of each as floats.
 *
 * Four output rows are made at a time: down columns over whole source rows first, the four side by
 * side for each source column; then along, where four rows are one vector.
 *
 * @param n a multiple of 4
 * @param lines room for 4 floats a source column, and 16 columns more
 * @param groups room for 3 · n vectors of 4 floats
 */
export function cut(n: i32, luma: Plane, cb: Plane, cr: Plane, colours: Colours, lines: usize, groups: usize): void {
  for (let j = 0; j < n; j += 4) {
    rows(luma, j, n, lines, groups + ((LUMA * n) << 4));
    rows(cb, j, n, lines, groups + ((CB * n) << 4));
    rows(cr, j, n, lines, groups + ((CR * n) << 4));
    paint(colours, j, n, groups, lines);
  }
}

function rows(p: Plane, j: i32, n: i32, lines: usize, out: usize): void {
  const source = p.data + p.first;
  for (let x = 0; x < p.width; x += 4) {
    const r0 = column(p.down, j, source + x, p.stride);
    const r1 = column(p.down, j + 1, source + x, p.stride);
    const r2 = column(p.down, j + 2, source + x, p.stride);
    const r3 = column(p.down, j + 3, source + x, p.stride);
    transpose(r0, r1, r2, r3, lines + (x << 4));
  }
  const taps = p.along.taps;
  let from = p.along.from;
  let weight = p.along.weight;
  for (let i = 0; i < n; i++) {
    let at = lines + ((load<i32>(from) - p.first) << 4);
    let sum = f32x4.mul(v128.load(at), v128.load32_splat(weight));
    for (let k = 1; k < taps; k++) {
      at += 16;
      weight += 4;
      sum = f32x4.add(sum, f32x4.mul(v128.load(at), v128.load32_splat(weight)));
    }
    from += 4;
    weight += 4;
    v128.store(out + (i << 4), sum);
  }
}

/**
 * Four vectors of four become, at an address, the four of their first, second, third and fourth
 * numbers.
 */
// @ts-ignore: decorator
@inline
function transpose(r0: v128, r1: v128, r2: v128, r3: v128, to: usize): void {
  const a = v128.shuffle<f32>(r0, r1, 0, 4, 1, 5);
  const b = v128.shuffle<f32>(r0, r1, 2, 6, 3, 7);
  const c = v128.shuffle<f32>(r2, r3, 0, 4, 1, 5);
  const d = v128.shuffle<f32>(r2, r3, 2, 6, 3, 7);
  v128.store(to, v128.shuffle<f32>(a, c, 0, 1, 4, 5));
  v128.store(to, v128.shuffle<f32>(a, c, 2, 3, 6, 7), 16);
  v128.store(to, v128.shuffle<f32>(b, d, 0, 1, 4, 5), 32);
  v128.store(to, v128.shuffle<f32>(b, d, 2, 3, 6, 7), 48);
}

/** Weighted sum of one output row's source rows, for four source columns. */
// @ts-ignore: decorator
@inline
function column(axis: Axis, j: i32, source: usize, stride: i32): v128 {
  let at = source + load<i32>(axis.from + (j << 2)) * stride;
  let weight = axis.weight + ((j * axis.taps) << 2);
  let sum = f32x4.splat(0);
  for (let k = axis.taps; k > 0; k--) {
    sum = f32x4.add(sum, f32x4.mul(samples(at), v128.load32_splat(weight)));
    at += stride;
    weight += 4;
  }
  return sum;
}

/** @param pixels room for four vectors */
function paint(c: Colours, j: i32, n: i32, groups: usize, pixels: usize): void {
  const insideDown = v128.load(c.insideDown + (j << 2));
  const low = f32x4.splat(c.low);
  let to = c.out + j * c.stepDown;
  for (let i = 0; i < n; i++) {
    const at = groups + (i << 4);
    const y = f32x4.mul(f32x4.sub(v128.load(at), f32x4.splat(c.lumaBase)), f32x4.splat(c.lumaGain));
    const u = f32x4.sub(v128.load(at + ((CB * n) << 4)), f32x4.splat(128));
    const v = f32x4.sub(v128.load(at + ((CR * n) << 4)), f32x4.splat(128));
    const inside = f32x4.mul(f32x4.mul(insideDown, v128.load32_splat(c.insideAlong + (i << 2))), f32x4.splat(c.span));
    const r = f32x4.add(low, f32x4.mul(unit(f32x4.add(y, f32x4.mul(v, f32x4.splat(c.rv)))), inside));
    const g = f32x4.add(low, f32x4.mul(unit(f32x4.add(y, f32x4.add(f32x4.mul(v, f32x4.splat(c.gv)), f32x4.mul(u, f32x4.splat(c.gu))))), inside));
    const b = f32x4.add(low, f32x4.mul(unit(f32x4.add(y, f32x4.mul(u, f32x4.splat(c.bu)))), inside));
    const step = c.stepDown;
    transpose(r, g, b, b, pixels);
    pixel(pixels, to);
    pixel(pixels + 16, to + step);
    pixel(pixels + 32, to + 2 * step);
    pixel(pixels + 48, to + 3 * step);
    to += c.stepAlong;
  }
}

// @ts-ignore: decorator
@inline
function unit(v: v128): v128 {
  return f32x4.max(f32x4.splat(0), f32x4.min(f32x4.splat(1), v));
}

/** Copies the three colours of a pixel. */
// @ts-ignore: decorator
@inline
function pixel(from: usize, to: usize): void {
  store<u64>(to, load<u64>(from));
  store<u32>(to, load<u32>(from, 8), 8);
}
