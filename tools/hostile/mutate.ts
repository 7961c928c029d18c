import { Bytes, boxesIn, type ContainerBox } from "../../src/vision/decode/boxes";
import type { seeded } from "../../src/core/maths/seeded";

export type Random = ReturnType<typeof seeded>;

const CONTAINERS = new Set([
  "moov",
  "trak",
  "mdia",
  "minf",
  "stbl",
  "mvex",
  "moof",
  "traf",
  "edts",
  "dinf",
  "udta",
]);

const whole = (random: Random, below: number): number => Math.floor(random.uniform() * below);
export const pick = <T>(random: Random, of: readonly T[]): T => of[whole(random, of.length)]!;

/** All boxes of a file, with those in them. */
function allBoxes(data: Uint8Array): ContainerBox[] {
  const bytes = new Bytes(data);
  const out: ContainerBox[] = [];
  const walk = (from: number, to: number) => {
    for (const box of boxesIn(bytes, from, to)) {
      out.push(box);
      if (CONTAINERS.has(box.type)) walk(box.from, box.to);
    }
  };
  walk(0, data.length);
  return out;
}

const TABLES = [
  "stts",
  "stsz",
  "stsc",
  "stco",
  "co64",
  "ctts",
  "stss",
  "stsd",
  "elst",
  "trun",
  "tfhd",
  "trex",
  "tkhd",
  "mdhd",
  "mvhd",
  "hdlr",
  "sidx",
];
const NUMBERS = [
  0,
  1,
  2,
  255,
  2 ** 16,
  2 ** 20,
  2 ** 24,
  2 ** 26,
  2 ** 31 - 1,
  2 ** 31,
  2 ** 32 - 1,
];

/** Puts a 32-bit number into a box, at a seeded place of its first 64 bytes. */
function lie(data: Uint8Array, box: ContainerBox, random: Random): void {
  const room = Math.min(64, box.to - box.from) - 4;
  if (room >= 0)
    new DataView(data.buffer, data.byteOffset).setUint32(
      box.from + 4 * whole(random, room / 4 + 1),
      pick(random, NUMBERS),
    );
}

function flips(data: Uint8Array, from: number, to: number, most: number, random: Random): void {
  if (to <= from) return;
  for (let k = 1 + whole(random, most); k > 0; k--)
    data[from + whole(random, to - from)]! ^= 1 + whole(random, 255);
}

const within = (
  data: Uint8Array,
  types: readonly string[],
  random: Random,
): ContainerBox | null => {
  const boxes = allBoxes(data).filter((b) => types.includes(b.type));
  return boxes.length ? pick(random, boxes) : null;
};

/** A box of some bytes around others. */
function boxOf(type: string, inside: Uint8Array): Uint8Array {
  const out = new Uint8Array(8 + inside.length);
  new DataView(out.buffer).setUint32(0, out.length);
  out.set(new TextEncoder().encode(type), 4);
  out.set(inside, 8);
  return out;
}

const joined = (...parts: Uint8Array[]): Uint8Array<ArrayBuffer> =>
  new Uint8Array(Buffer.concat(parts));

/** Ways to spoil a film's bytes: each takes a copy, and gives it back changed. */
export const MUTATIONS: Record<
  string,
  (data: Uint8Array<ArrayBuffer>, random: Random) => Uint8Array
> = {
  "as it is": (d) => d,
  "cut anywhere": (d, r) => d.subarray(0, whole(r, d.length)),
  "cut near its end": (d, r) =>
    d.subarray(0, d.length - 1 - whole(r, Math.min(d.length - 1, 2000))),
  "its beginning is gone": (d, r) => d.subarray(whole(r, Math.min(d.length, 5000))),
  "bytes flipped anywhere": (d, r) => (flips(d, 0, d.length, 40, r), d),
  "bytes flipped in the media": (d, r) => {
    const mdat = within(d, ["mdat"], r);
    flips(d, mdat?.from ?? d.length >> 1, mdat?.to ?? d.length, 200, r);
    return d;
  },
  "bytes flipped in a table": (d, r) => {
    const table = within(d, TABLES, r);
    flips(d, table?.from ?? 0, table?.to ?? Math.min(d.length, 400), 6, r);
    return d;
  },
  "a number in a table is a lie": (d, r) => {
    const table = within(d, TABLES, r);
    if (table) lie(d, table, r);
    else flips(d, 0, Math.min(d.length, 400), 3, r);
    return d;
  },
  "two numbers in tables are lies": (d, r) => {
    for (let k = 0; k < 2; k++) {
      const table = within(d, TABLES, r);
      if (table) lie(d, table, r);
    }
    return d;
  },
  "a box has another size": (d, r) => {
    const box = pick(r, allBoxes(d).concat({ type: "", from: 8, to: 16 }));
    if (box.from >= 8)
      new DataView(d.buffer, d.byteOffset).setUint32(box.from - 8, pick(r, NUMBERS));
    return d;
  },
  "a box has another name": (d, r) => {
    const box = pick(r, allBoxes(d).concat({ type: "", from: 8, to: 16 }));
    if (box.from >= 8)
      d.set(
        new TextEncoder().encode(
          pick(r, ["free", "moov", "trak", "stsz", "mdat", "\0\0\0\0", "uuid"]),
        ),
        box.from - 4,
      );
    return d;
  },
  "its codec has another name": (d, r) => {
    const entry = within(d, ["stsd"], r);
    if (entry && entry.to - entry.from >= 16)
      d.set(
        new TextEncoder().encode(
          pick(r, ["apcn", "ap4h", "mp4v", "jpeg", "hvc1", "av01", "dvh1", "zzzz", "\u001b[2J"]),
        ),
        entry.from + 12,
      );
    return d;
  },
  "another size of picture": (d, r) => {
    const entry = within(d, ["stsd"], r);
    if (entry && entry.to - entry.from >= 48)
      for (const at of [40, 42])
        new DataView(d.buffer, d.byteOffset).setUint16(
          entry.from + at,
          pick(r, [0, 1, 16, 95, 8193, 16384, 65535, 4000]),
        );
    return d;
  },
  "no index": (d) => {
    const moov = allBoxes(d).find((b) => b.type === "moov");
    return moov
      ? joined(d.subarray(0, moov.from - 8), d.subarray(moov.to))
      : d.subarray(0, d.length >> 1);
  },
  "no media": (d) => {
    const mdat = allBoxes(d).find((b) => b.type === "mdat");
    return mdat ? joined(d.subarray(0, mdat.from - 8), d.subarray(mdat.to)) : d.subarray(0, 200);
  },
  "a piece of it twice": (d, r) => {
    const at = whole(r, d.length);
    const n = whole(r, Math.min(5000, d.length - at));
    return joined(d.subarray(0, at + n), d.subarray(at));
  },
  "boxes in boxes in boxes": (d, r) => {
    let inside: Uint8Array = new Uint8Array(8);
    const type = pick(r, ["moov", "trak", "udta", "meta"]);
    for (let k = 0; k < 10_000; k++) inside = k % 500 === 0 ? boxOf(type, inside) : inside;
    // Its headers alone, each as large as all that follows.
    const deep = new Uint8Array(80_000);
    const view = new DataView(deep.buffer);
    for (let k = 0; k < 10_000; k++) {
      view.setUint32(8 * k, deep.length - 8 * k);
      deep.set(new TextEncoder().encode(type), 8 * k + 4);
    }
    return r.uniform() < 0.5
      ? joined(d, boxOf("moov", inside), deep)
      : joined(d.subarray(0, 32), deep, d.subarray(32));
  },
  "no film at all": (_, r) => {
    const bytes = new Uint8Array(whole(r, 50_000));
    for (let i = 0; i < bytes.length; i++) bytes[i] = whole(r, 256);
    return pick(r, [
      bytes,
      new Uint8Array(0),
      new TextEncoder().encode("<html>not a film</html>"),
      new Uint8Array(20_000),
      joined(new TextEncoder().encode("\0\0\0\u0018ftypmp42"), bytes),
      joined(new Uint8Array([0x1a, 0x45, 0xdf, 0xa3]), bytes),
      new TextEncoder().encode("#EXTM3U\nhttp://127.0.0.1:9/a.ts\n"),
    ]);
  },
};
