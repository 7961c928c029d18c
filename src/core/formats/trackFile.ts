import { z } from "zod";
import { CHANNEL_WIDTHS, CHANNELS, type Track } from "../track";

/**
 * *A track as one file.* Eight bytes `KFTRACK3`, a little-endian uint32 with the length of the
 * header, the header as UTF-8 JSON (padded with spaces to a multiple of eight), then the arrays it
 * lists, little-endian, each at the offset that the header gives. docs/formats.md has the whole of
 * it.
 *
 * @example
 * const bytes = writeTrack(track);
 * readTrack(bytes).times.length === track.times.length; // true
 */
const MAGIC = "KFTRACK3";

const arrayRef = z.object({
  type: z.enum(["f32", "f64", "u8"]),
  offset: z.number().int().nonnegative(),
  length: z.number().int().nonnegative(),
});
const header = z.object({
  version: z.literal(3),
  video: z.object({
    width: z.number().positive(),
    height: z.number().positive(),
    frames: z.number().int().positive(),
    fps: z.number().positive(),
    rotation: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
    audio: z.boolean(),
    durationMs: z.number().positive(),
  }),
  crop: z.object({ cx: z.number(), cy: z.number(), size: z.number().positive() }),
  model: z.string(),
  others: z.array(z.object({ t: z.number(), x: z.number(), y: z.number(), size: z.number() })),
  sounds: z.array(z.object({ t: z.number(), db: z.number() })),
  times: arrayRef,
  read: arrayRef.optional(),
  landmarks: arrayRef,
  outline: arrayRef,
  footEdges: arrayRef,
  presence: arrayRef,
  footPaths: z.array(
    z.object({
      foot: z.enum(["left", "right"]),
      part: z.enum(["heel", "toe", "whole", "rise"]),
      plantedFrom: z.number().int(),
      plantedTo: z.number().int(),
      from: z.number().int(),
      dx: arrayRef,
      dy: arrayRef,
      residual: arrayRef,
    }),
  ),
  handsPaths: z.array(z.object({ from: z.number().int(), x: arrayRef, y: arrayRef })),
  looks: z.array(z.object({ t: z.number(), moved: z.number().nullable(), luma: z.number() })),
});
type ArrayRef = z.infer<typeof arrayRef>;

const BYTES = { f64: 8, f32: 4, u8: 1 } as const;

export function writeTrack(track: Track): Uint8Array<ArrayBuffer> {
  const arrays: (Float32Array | Float64Array | Uint8Array)[] = [];
  let offset = 0;
  const ref = (a: Float32Array | Float64Array | Uint8Array): ArrayRef => {
    const r: ArrayRef = {
      type: a instanceof Float64Array ? "f64" : a instanceof Float32Array ? "f32" : "u8",
      offset,
      length: a.length,
    };
    arrays.push(a);
    offset += Math.ceil(a.byteLength / 8) * 8;
    return r;
  };
  const head: z.infer<typeof header> = {
    version: 3,
    video: track.video,
    crop: track.crop,
    model: track.model,
    others: track.others,
    sounds: track.sounds,
    times: ref(track.times),
    ...(track.read ? { read: ref(track.read) } : {}),
    landmarks: ref(track.landmarks),
    outline: ref(track.outline),
    footEdges: ref(track.footEdges),
    presence: ref(track.presence),
    footPaths: track.footPaths.map((p) => ({
      ...p,
      dx: ref(p.dx),
      dy: ref(p.dy),
      residual: ref(p.residual),
    })),
    handsPaths: track.handsPaths.map((p) => ({ from: p.from, x: ref(p.x), y: ref(p.y) })),
    looks: track.looks.map((l) => ({
      t: l.t,
      moved: l.moved === null ? null : Math.round(l.moved * 1000) / 1000,
      luma: Math.round(l.luma * 10) / 10,
    })),
  };
  const raw = new TextEncoder().encode(JSON.stringify(head));
  const room = Math.ceil((raw.length + 12) / 8) * 8 - 12;
  const out = new Uint8Array(12 + room + offset).fill(32, 0, 12 + room);
  out.set(new TextEncoder().encode(MAGIC));
  new DataView(out.buffer).setUint32(8, room, true);
  out.set(raw, 12);
  let at = 12 + room;
  for (const a of arrays) {
    out.set(new Uint8Array(a.buffer, a.byteOffset, a.byteLength), at);
    at += Math.ceil(a.byteLength / 8) * 8;
  }
  return out;
}

/** @throws TrackFileError when the bytes are not a whole track file of this version */
export function readTrack(bytes: Uint8Array): Track {
  const magic = new TextDecoder().decode(bytes.subarray(0, 8));
  if (magic !== MAGIC)
    throw new TrackFileError(
      magic.startsWith(MAGIC.slice(0, -1))
        ? "the track file is of another version"
        : "this is not a Kingfisher track file",
    );
  if (bytes.length < 12) throw new TrackFileError("the track file ends too early");
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const room = view.getUint32(8, true);
  let h: z.infer<typeof header>;
  try {
    h = header.parse(JSON.parse(new TextDecoder().decode(bytes.subarray(12, 12 + room))));
  } catch (cause) {
    throw new TrackFileError("the track file's header is damaged", { cause });
  }
  const base = 12 + room;
  const slice = (r: ArrayRef) => {
    const size = r.length * BYTES[r.type];
    if (base + r.offset + size > bytes.length)
      throw new TrackFileError("the track file ends too early");
    // A copy of its own: Node's Buffer.slice would share the buffer, and the offset need not be
    // aligned.
    return new Uint8Array(bytes.subarray(base + r.offset, base + r.offset + size)).buffer;
  };
  const f32 = (r: ArrayRef) => new Float32Array(slice(r));
  const times = new Float64Array(slice(h.times));
  const frames = times.length;
  if (!times.every((t, i) => Number.isFinite(t) && (i === 0 || t > times[i - 1]!)))
    throw new TrackFileError("the track file's times are damaged");
  const track: Track = {
    video: h.video,
    crop: h.crop,
    model: h.model,
    others: h.others,
    sounds: h.sounds,
    times,
    landmarks: f32(h.landmarks),
    ...(h.read ? { read: new Uint8Array(slice(h.read)) } : {}),
    outline: f32(h.outline),
    footEdges: f32(h.footEdges),
    presence: f32(h.presence),
    footPaths: h.footPaths.map((p) => ({
      ...p,
      dx: f32(p.dx),
      dy: f32(p.dy),
      residual: f32(p.residual),
    })),
    handsPaths: h.handsPaths.map((p) => ({ from: p.from, x: f32(p.x), y: f32(p.y) })),
    looks: h.looks,
  };
  const along = (from: number, ...all: readonly Float32Array[]) =>
    from >= 0 && all.every((a) => a.length === all[0]!.length && from + a.length <= frames);
  const fit =
    CHANNELS.every((name) => track[name].length === frames * CHANNEL_WIDTHS[name]) &&
    (track.read?.length ?? frames) === frames &&
    track.footPaths.every((p) => along(p.from, p.dx, p.dy, p.residual)) &&
    track.handsPaths.every((p) => along(p.from, p.x, p.y));
  if (!fit) throw new TrackFileError("the track file's arrays do not fit each other");
  return track;
}

export class TrackFileError extends Error {
  override name = "TrackFileError";
}
