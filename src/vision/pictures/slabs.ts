/**
 * Memory is asked for in pieces of this size, which hold several pictures: thousands of single ones
 * keep the garbage collector busy.
 */
const SLAB_BYTES = 16 * 1024 ** 2;

/** Memory for many pictures of one size. */
export class Slabs {
  private readonly free: Uint8Array<ArrayBuffer>[] = [];

  /** @param bytes of one; @param most how many there will be */
  constructor(
    readonly bytes: number,
    private most: number,
  ) {}

  /** Memory for one more. */
  next(): Uint8Array<ArrayBuffer> {
    if (!this.free.length) {
      const count = Math.max(1, Math.min(this.most, Math.floor(SLAB_BYTES / this.bytes)));
      this.most -= count;
      const slab = new ArrayBuffer(count * this.bytes);
      for (let k = 0; k < count; k++)
        this.free.push(new Uint8Array(slab, k * this.bytes, this.bytes));
    }
    return this.free.pop()!;
  }
}
