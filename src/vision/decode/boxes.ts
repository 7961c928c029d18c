/**
 * A box of an ISO media file (ISO/IEC 14496-12, 4.2): its type, and where what is in it begins and
 * ends.
 */
export interface ContainerBox {
  type: string;
  from: number;
  to: number;
}

/** Reads some bytes of a file; fewer where it ends. */
export type ReadAt = (from: number, to: number) => Promise<Uint8Array>;

/** A part of a file in memory, read as the big-endian numbers that media files are made of. */
export class Bytes {
  private readonly view: DataView;

  constructor(readonly data: Uint8Array) {
    this.view = new DataView(data.buffer, data.byteOffset, data.byteLength);
  }

  get length(): number {
    return this.data.length;
  }

  u16 = (at: number): number => this.view.getUint16(at);
  u32 = (at: number): number => this.view.getUint32(at);
  i32 = (at: number): number => this.view.getInt32(at);
  /** Exact up to 2^53: no file is larger. */
  u64 = (at: number): number => this.view.getUint32(at) * 2 ** 32 + this.view.getUint32(at + 4);
  type = (at: number): string => String.fromCharCode(...this.data.subarray(at, at + 4));
}

/**
 * The header of a box: how long it is, with all that is in it; null where there is none. @param
 * left bytes from here to the end of what it is in
 */
export function boxHeader(
  bytes: Bytes,
  at: number,
  left: number,
): { type: string; size: number; header: number } | null {
  if (at + 8 > bytes.length || left < 8) return null;
  const short = bytes.u32(at);
  const type = bytes.type(at + 4);
  if (short === 0) return { type, size: left, header: 8 };
  if (short !== 1) return short < 8 ? null : { type, size: short, header: 8 };
  if (at + 16 > bytes.length) return null;
  const size = bytes.u64(at + 8);
  return size < 16 ? null : { type, size, header: 16 };
}

/** The boxes that follow one another in a part of memory; ends at the first that does not fit. */
export function* boxesIn(bytes: Bytes, from: number, to: number): Generator<ContainerBox> {
  for (let at = from; at < to;) {
    const head = boxHeader(bytes, at, to - at);
    if (!head || at + head.size > to) return;
    yield { type: head.type, from: at + head.header, to: at + head.size };
    at += head.size;
  }
}

/** The first box of a type among those in a part of memory, or along a path of types. */
export function boxAt(
  bytes: Bytes,
  within: Pick<ContainerBox, "from" | "to">,
  ...path: string[]
): ContainerBox | null {
  let here: Pick<ContainerBox, "from" | "to"> = within;
  for (const type of path) {
    const next = [...boxesIn(bytes, here.from, here.to)].find((b) => b.type === type);
    if (!next) return null;
    here = next;
  }
  return here as ContainerBox;
}
