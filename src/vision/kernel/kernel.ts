import { KERNEL } from "./binary";

/** The inner loops: what they take is said in assembly/. */
interface Loops {
  memory: WebAssembly.Memory;
  cut(
    n: number,
    luma: number,
    cb: number,
    cr: number,
    colours: number,
    lines: number,
    groups: number,
  ): void;
  difference(
    value: number,
    width: number,
    height: number,
    at: number,
    stride: number,
    enough: number,
  ): number;
  fitSums(
    value: number,
    slopeX: number,
    slopeY: number,
    width: number,
    height: number,
    at: number,
    stride: number,
    tx: number,
    ty: number,
    out: number,
  ): void;
}

let compiled: WebAssembly.Module | null = null;

/**
 * The compiled inner loops and a memory of their own, laid out from the bottom by whoever uses it.
 */
export class Kernel {
  readonly loops: Loops;
  private readonly memory: WebAssembly.Memory;
  private used = 16;

  constructor() {
    compiled ??= new WebAssembly.Module(Uint8Array.from(atob(KERNEL), (c) => c.charCodeAt(0)));
    this.loops = new WebAssembly.Instance(compiled).exports as unknown as Loops;
    this.memory = this.loops.memory;
  }

  /** Forgets all that was placed. */
  reset(): void {
    this.used = 16;
  }

  /** How far the memory is used; all behind it is forgotten with `backTo`. */
  mark(): number {
    return this.used;
  }

  backTo(mark: number): void {
    this.used = mark;
  }

  /**
   * Room for some bytes (and reads a little beyond); its address. The memory may be another one
   * afterwards.
   */
  room(bytes: number): number {
    const at = this.used;
    this.used = (at + bytes + 127) & ~15;
    const more = this.used - this.memory.buffer.byteLength;
    if (more > 0) this.memory.grow(Math.ceil(more / 65536));
    return at;
  }

  /** Places numbers; their address. */
  place(numbers: Int32Array | Float32Array | Uint8Array): number {
    const at = this.room(numbers.byteLength);
    new Uint8Array(this.memory.buffer).set(
      new Uint8Array(numbers.buffer, numbers.byteOffset, numbers.byteLength),
      at,
    );
    return at;
  }

  /** Places a structure of whole numbers (addresses, counts); its address. */
  struct(...words: number[]): number {
    return this.place(Int32Array.from(words));
  }

  get bytes(): Uint8Array {
    return new Uint8Array(this.memory.buffer);
  }

  /** Copies floats from an address on. */
  read(at: number, into: Float32Array): void {
    into.set(new Float32Array(this.memory.buffer, at, into.length));
  }
}
