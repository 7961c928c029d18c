import { uprightPlane, uprightSize, type Frame, type UprightPlane } from "../decode/frame";

/** A square of the upright picture: centre and side, px. */
export interface Square {
  cx: number;
  cy: number;
  size: number;
}

/**
 * Cuts a square out of a frame, area-averaged to `n` × `n`, and writes it as the network wants it: float RGB, row by
 * row. Every source sample counts once (a box filter, separable: first down columns, then along rows), so nothing
 * flickers as a golfer moves by parts of a pixel.
 */
export class Resampler {
  private readonly line = new Float32Array(8192);
  private readonly luma: Float32Array;
  private readonly cb: Float32Array;
  private readonly cr: Float32Array;
  private readonly weights = new Map<string, Axis>();

  /**
   * @param n side of the output, px
   * @param outside value beyond the picture's edge: its nearest pixel, or black
   */
  constructor(private readonly n: number, private readonly low: number, private readonly high: number, private readonly outside: "nearest" | "black") {
    this.luma = new Float32Array(n * n);
    this.cb = new Float32Array(n * n);
    this.cr = new Float32Array(n * n);
  }

  cut(frame: Frame, square: Square, out: Float32Array): void {
    const { n } = this;
    const [width, height] = uprightSize(frame);
    const cw = (frame.width + 1) >> 1;
    const ch = (frame.height + 1) >> 1;
    const x0 = square.cx - square.size / 2;
    const y0 = square.cy - square.size / 2;
    this.plane(frame.data, uprightPlane(frame.y, frame.width, frame.height, frame.rotation), x0, y0, square.size, this.luma);
    this.plane(frame.data, uprightPlane(frame.u, cw, ch, frame.rotation), x0 / 2, y0 / 2, square.size / 2, this.cb);
    this.plane(frame.data, uprightPlane(frame.v, cw, ch, frame.rotation), x0 / 2, y0 / 2, square.size / 2, this.cr);
    const black = this.outside === "black";
    const cover = black ? [coverage(n, x0, square.size, width), coverage(n, y0, square.size, height)] : null;
    const { low } = this;
    const span = this.high - low;
    const [kr, kb] = frame.matrix === "bt709" ? [0.2126, 0.0722] : [0.299, 0.114];
    const kg = 1 - kr - kb;
    const lumaGain = (frame.fullRange ? 1 : 255 / 219) / 255;
    const lumaBase = frame.fullRange ? 0 : 16;
    const chromaGain = (frame.fullRange ? 1 : 255 / 224) / 255;
    const rv = 2 * (1 - kr) * chromaGain;
    const bu = 2 * (1 - kb) * chromaGain;
    const gv = (-rv * kr) / kg;
    const gu = (-bu * kb) / kg;
    for (let i = 0, j = 0; i < n * n; i++) {
      const y = (this.luma[i]! - lumaBase) * lumaGain;
      const u = this.cb[i]! - 128;
      const v = this.cr[i]! - 128;
      let r = y + rv * v;
      let g = y + gv * v + gu * u;
      let b = y + bu * u;
      r = r < 0 ? 0 : r > 1 ? 1 : r;
      g = g < 0 ? 0 : g > 1 ? 1 : g;
      b = b < 0 ? 0 : b > 1 ? 1 : b;
      const inside = cover === null ? span : cover[0]![i % n]! * cover[1]![(i / n) | 0]! * span;
      out[j++] = low + r * inside;
      out[j++] = low + g * inside;
      out[j++] = low + b * inside;
    }
  }

  private plane(data: Uint8Array, p: UprightPlane, x0: number, y0: number, size: number, out: Float32Array): void {
    const { n, line } = this;
    const { origin, dx, dy } = p;
    const ax = this.axis(x0, size, p.width);
    const ay = this.axis(y0, size, p.height);
    const fromX = ax.from;
    const weightX = ax.weight;
    const tapsX = ax.taps;
    const first = fromX[0]!;
    const width = fromX[n - 1]! + tapsX - first;
    // Down columns first: long runs over whole source rows; then along the one row that is left.
    for (let j = 0; j < n; j++) {
      const source = origin + ay.from[j]! * dy + first * dx;
      const w = j * ay.taps;
      let k = 0;
      if (ay.taps >= 3) {
        threeRows(data, source, dx, dy, ay.weight[w]!, ay.weight[w + 1]!, ay.weight[w + 2]!, line, width);
        k = 3;
      } else line.fill(0, 0, width);
      for (; k < ay.taps; k++) {
        const weight = ay.weight[w + k]!;
        if (weight !== 0) for (let x = 0, at = source + k * dy; x < width; x++, at += dx) line[x] = line[x]! + data[at]! * weight;
      }
      alongRow(line, fromX, first, weightX, tapsX, out, j * n, n);
    }
  }

  private axis(start: number, size: number, length: number): Axis {
    const key = `${start},${size},${length}`;
    let axis = this.weights.get(key);
    if (!axis) {
      if (this.weights.size > 64) this.weights.clear();
      axis = makeAxis(this.n, start, size, length);
      this.weights.set(key, axis);
    }
    return axis;
  }
}

// The inner loops, one each so that they are compiled for what they do; every step is rounded to a float as a sum kept in `line` would be.
const f = Math.fround;

function threeRows(data: Uint8Array, source: number, dx: number, dy: number, a: number, b: number, c: number, line: Float32Array, width: number): void {
  const q = source + dy;
  const r = q + dy;
  if (dx === 1) for (let x = 0; x < width; x++) line[x] = f(f(data[source + x]! * a) + data[q + x]! * b) + data[r + x]! * c;
  else for (let x = 0, o = 0; x < width; x++, o += dx) line[x] = f(f(data[source + o]! * a) + data[q + o]! * b) + data[r + o]! * c;
}

function alongRow(line: Float32Array, from: Int32Array, first: number, weight: Float32Array, taps: number, out: Float32Array, target: number, n: number): void {
  if (taps === 3)
    for (let i = 0, v = 0; i < n; i++, v += 3) {
      const at = from[i]! - first;
      out[target + i] = line[at]! * weight[v]! + line[at + 1]! * weight[v + 1]! + line[at + 2]! * weight[v + 2]!;
    }
  else if (taps === 4)
    for (let i = 0, v = 0; i < n; i++, v += 4) {
      const at = from[i]! - first;
      out[target + i] = line[at]! * weight[v]! + line[at + 1]! * weight[v + 1]! + line[at + 2]! * weight[v + 2]! + line[at + 3]! * weight[v + 3]!;
    }
  else
    for (let i = 0, v = 0; i < n; i++) {
      let at = from[i]! - first;
      let sum = line[at]! * weight[v++]!;
      for (let k = 1; k < taps; k++) sum += line[++at]! * weight[v++]!;
      out[target + i] = sum;
    }
}

/** For each output: its first source sample and `taps` weights (zero where fewer samples count). */
interface Axis {
  from: Int32Array;
  taps: number;
  weight: Float32Array;
}

/** Which source samples, with what weight, make each of `n` outputs of a span; beyond the ends the end sample counts. */
function makeAxis(n: number, start: number, size: number, length: number): Axis {
  const step = size / n;
  const box = Math.max(step, 1);
  const taps = Math.min(Math.floor(box) + 2, length);
  const from = new Int32Array(n);
  const weight = new Float32Array(n * taps);
  for (let i = 0; i < n; i++) {
    const centre = start + (i + 0.5) * step;
    const low = Math.min(Math.max(centre - box / 2, 0), length - 1e-6);
    const high = Math.min(Math.max(centre + box / 2, low + 1e-6), length);
    const last = Math.min(Math.ceil(high) - 1, length - 1);
    from[i] = Math.min(Math.floor(low), length - taps);
    for (let k = from[i]!; k <= last; k++) weight[i * taps + k - from[i]!] = Math.max(0, Math.min(k + 1, high) - Math.max(k, low)) / (high - low);
  }
  return { from, taps, weight };
}

function coverage(n: number, start: number, size: number, length: number): Float32Array {
  const step = size / n;
  return Float32Array.from({ length: n }, (_, i) => {
    const lo = start + i * step;
    return Math.max(0, Math.min(lo + step, length) - Math.max(lo, 0)) / step;
  });
}
