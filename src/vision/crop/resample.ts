import { type Cutout, uprightPlane, type Box, type Frame, type Plane } from "../decode";
import { boxAxis, inside, type Axis } from "./axis";
import { Kernel } from "../kernel";

/** A square of the upright picture: centre and side, px. */
export interface Square {
  cx: number;
  cy: number;
  size: number;
}

/** The same area by its edges. */
export const boxOf = ({ cx, cy, size }: Square): Box => ({
  left: cx - size / 2,
  top: cy - size / 2,
  right: cx + size / 2,
  bottom: cy + size / 2,
});

/**
 * A source plane's place in the kernel's memory: its samples from row `firstRow`, `rows` of them,
 * `width` bytes each.
 */
interface Placed {
  at: number;
  firstRow: number;
  rows: number;
  width: number;
}

/**
 * Cuts a square out of a picture, area-averaged to `n` × `n`, as the network wants it: float RGB,
 * row by row. Every source sample counts once (a box filter, separable: first down the stored
 * columns, then along the rows), so nothing flickers as a golfer moves by parts of a pixel. The
 * inner loops are WebAssembly (../kernel/assembly).
 */
export class Resampler {
  private readonly kernel = new Kernel();
  private planned = "";
  private run: () => void = () => {};
  private planes: Placed[] = [];
  private out = 0;

  /**
   * @param n side of the output, px; a multiple of 4
   * @param low @param high output for no and full light
   * @param outside value beyond the picture's edge: its nearest pixel, or black
   */
  constructor(
    private readonly n: number,
    private readonly low: number,
    private readonly high: number,
    private readonly outside: "nearest" | "black",
  ) {}

  /**
   * @param part of the picture
   * @param into where the output goes: n × n × 3
   * @throws RangeError when the part lacks something of what the square covers of the picture
   */
  cut(
    part: Cutout,
    square: Square,
    into: Float32Array<ArrayBuffer> = new Float32Array(this.n * this.n * 3),
  ): Float32Array<ArrayBuffer> {
    const { frame, left, top, of } = part;
    const plan = [
      square.cx,
      square.cy,
      square.size,
      left,
      top,
      of.width,
      of.height,
      frame.width,
      frame.height,
      frame.rotation,
      frame.matrix,
      frame.fullRange,
    ].join();
    if (plan !== this.planned) this.plan(part, square);
    this.planned = plan;
    [frame.y, frame.u, frame.v].forEach((plane, k) =>
      this.copy(frame.data, plane, this.planes[k]!),
    );
    this.run();
    this.kernel.read(this.out, into);
    return into;
  }

  private plan({ frame, left, top, of }: Cutout, { cx, cy, size }: Square): void {
    const { n, kernel } = this;
    kernel.reset();
    const [x0, y0] = [cx - size / 2, cy - size / 2];
    let widest = 0;
    // Rows of a picture that a phone held upright stored are columns of the upright picture: the
    // kernel works on what is stored.
    let alongIsX = true;
    const place = (stored: Plane, half: boolean): [struct: number, placed: Placed] => {
      const scale = half ? 0.5 : 1;
      const whole = (v: number) => (half ? (v + 1) >> 1 : v);
      const p = uprightPlane(
        { ...stored, step: 1, stride: 1 << 20, offset: 0 },
        whole(frame.width),
        whole(frame.height),
        frame.rotation,
      );
      const x = boxAxis(n, x0 * scale, size * scale, whole(of.width), {
        left: left * scale,
        length: p.width,
        flipped: p.dx < 0,
      });
      const y = boxAxis(n, y0 * scale, size * scale, whole(of.height), {
        left: top * scale,
        length: p.height,
        flipped: p.dy < 0,
      });
      alongIsX = Math.abs(p.dx) === 1;
      const [along, down] = alongIsX ? [x, y] : [y, x];
      const [first, end] = span(along);
      const [firstRow, endRow] = span(down);
      const placed = {
        at: kernel.room((endRow - firstRow) * whole(frame.width)),
        firstRow,
        rows: endRow - firstRow,
        width: whole(frame.width),
      };
      widest = Math.max(widest, end - first);
      const axis = (a: Axis) => kernel.struct(kernel.place(a.from), kernel.place(a.weight), a.taps);
      return [
        kernel.struct(
          placed.at - firstRow * placed.width,
          placed.width,
          first,
          end - first,
          axis(along),
          axis(down),
        ),
        placed,
      ];
    };
    const [[luma, y], [cb, u], [cr, v]] = [
      place(frame.y, false),
      place(frame.u, true),
      place(frame.v, true),
    ];
    this.planes = [y, u, v];
    const [lines, groups] = [kernel.room((widest + 16) * 16), kernel.room(3 * n * 16)];
    this.out = kernel.room(n * n * 12);
    const all = new Float32Array(n).fill(1);
    const [coverX, coverY] =
      this.outside === "black"
        ? [inside(n, x0, size, of.width), inside(n, y0, size, of.height)]
        : [all, all];
    const cover = [kernel.place(coverX), kernel.place(coverY)] as const;
    const steps = [12, n * 12] as const;
    const [a, d] = alongIsX ? ([0, 1] as const) : ([1, 0] as const);
    const colours = kernel.struct(
      ...bits(this.gains(frame)),
      cover[a],
      cover[d],
      steps[a],
      steps[d],
      this.out,
    );
    this.run = () => kernel.loops.cut(n, luma, cb, cr, colours, lines, groups);
  }

  /** What makes a colour of luma and chroma: see `Colours` of the kernel. */
  private gains({ matrix, fullRange }: Frame): Float32Array {
    const [kr, kb] = matrix === "bt709" ? [0.2126, 0.0722] : [0.299, 0.114];
    const kg = 1 - kr - kb;
    const chroma = (fullRange ? 1 : 255 / 224) / 255;
    const rv = 2 * (1 - kr) * chroma;
    const bu = 2 * (1 - kb) * chroma;
    return Float32Array.of(
      fullRange ? 0 : 16,
      (fullRange ? 1 : 255 / 219) / 255,
      rv,
      (-bu * kb) / kg,
      (-rv * kr) / kg,
      bu,
      this.low,
      this.high - this.low,
    );
  }

  private copy(data: Uint8Array, { offset, stride, step }: Plane, to: Placed): void {
    const { bytes } = this.kernel;
    for (let row = 0, at = to.at; row < to.rows; row++, at += to.width) {
      const from = offset + (to.firstRow + row) * stride;
      if (step === 1) bytes.set(data.subarray(from, from + to.width), at);
      else for (let x = 0; x < to.width; x++) bytes[at + x] = data[from + x * step]!;
    }
  }
}

const bits = (floats: Float32Array): Int32Array => new Int32Array(floats.buffer);

/** First sample of an axis that counts, and the one behind the last. */
function span({ from, taps }: Axis): [number, number] {
  return [from.reduce((a, b) => Math.min(a, b)), from.reduce((a, b) => Math.max(a, b)) + taps];
}
