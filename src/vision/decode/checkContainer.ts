import { boxAt, boxesIn, boxHeader, Bytes, type ContainerBox, type ReadAt } from "./boxes";
import { ClipError } from "./clipError";
import { countFragment, type FragmentDefaults } from "./fragments";
import { checkSize } from "./pictureSize";
import { checkTables, TableError, type TrackTables } from "./sampleTables";

/**
 * Looks at the tables of an MP4 or MOV before a library reads them: a few wrong bytes there claim
 * millions of pictures, and whoever believes them runs out of time or memory. By hand, and not by a
 * parser of such files, because those build the claimed tables first.
 */

/** What was found. */
export interface ContainerCheck {
  /** The code that the file gives its picture's codec; null in WebM and where it is not said. */
  codec: string | null;
  /** Its sound can be read, as far as the tables tell. */
  sound: boolean;
}

/** The index of a day's film takes about this much; more is no film's, bytes. */
const MOST_INDEX = 64e6;
/** Fragments of a second each, in a film of some hours. */
const MOST_BOXES = 40_000;
/** Longer films than this are refused, h: a range session is a few. */
const LONGEST_H = 12;
/** Films with fewer or more pictures a second than this are refused; phones film at 24 to 960. */
const FPS = [1, 1000] as const;
/**
 * Without more than this share of its pictures a film is said to lack its end; a last picture or
 * two is often cut.
 */
const LOST = 0.1;

const EBML = 0x1a45dfa3;
const FIRST = new Set([
  "ftyp",
  "moov",
  "mdat",
  "free",
  "skip",
  "wide",
  "pnot",
  "moof",
  "styp",
  "sidx",
  "uuid",
]);

/**
 * @param bytes of the file
 * @throws ClipError notVideo, truncated, damaged, noPicture, size, tooLong
 */
export async function checkContainer(read: ReadAt, bytes: number): Promise<ContainerCheck> {
  const start = new Bytes(await read(0, Math.min(bytes, 16)));
  if (start.length >= 4 && start.u32(0) === EBML) return { codec: null, sound: true };
  if (start.length < 8 || !FIRST.has(start.type(4))) throw new ClipError("notVideo");
  try {
    return await checkMovie(read, bytes);
  } catch (error) {
    if (error instanceof TableError || error instanceof RangeError)
      throw new ClipError("damaged", undefined, error);
    throw error;
  }
}

interface Parts {
  moov: Bytes | null;
  /** Fragments' heads. */
  moofs: Bytes[];
  /** A box reaches beyond the end of the file. */
  cut: boolean;
}

/**
 * The boxes of the file itself: only their heads are read, but for the index and the fragments'
 * heads.
 */
async function partsOf(read: ReadAt, bytes: number): Promise<Parts> {
  const out: Parts = { moov: null, moofs: [], cut: false };
  let [at, boxes, held] = [0, 0, 0];
  while (at + 8 <= bytes) {
    if (++boxes > MOST_BOXES) throw new TableError("there are more boxes than a film has");
    const head = boxHeader(new Bytes(await read(at, Math.min(bytes, at + 16))), 0, bytes - at);
    if (!head) break;
    const end = Math.min(bytes, at + head.size);
    if (at + head.size > bytes) out.cut = true;
    if (head.type === "moov" || head.type === "moof") {
      held += end - at;
      if (held > MOST_INDEX) throw new TableError("its index is larger than a film's");
      const part = new Bytes(await read(at + head.header, end));
      if (head.type === "moof") out.moofs.push(part);
      else out.moov ??= part;
    }
    at += head.size;
  }
  return out;
}

interface TrackHead {
  id: number;
  kind: string;
  codec: string | null;
  size: { width: number; height: number } | null;
  tables: () => TrackTables;
}

async function checkMovie(read: ReadAt, bytes: number): Promise<ContainerCheck> {
  const { moov, moofs, cut } = await partsOf(read, bytes);
  if (!moov) throw new ClipError("truncated", "its list of pictures is missing");
  const whole = { from: 0, to: moov.length };
  const tracks = [...boxesIn(moov, 0, moov.length)]
    .filter((b) => b.type === "trak")
    .map((trak) => trackHead(moov, trak, bytes));
  const picture = tracks.find((t) => t.kind === "vide");
  if (!picture)
    throw tracks.some((t) => t.kind === "soun")
      ? new ClipError("noPicture")
      : new ClipError("truncated", "its list of pictures is missing");
  if (picture.size) checkSize(picture.size.width, picture.size.height);
  const inFragments = fragmentCounts(moov, whole, moofs, bytes);
  const pictures = picture.tables();
  const count = pictures.samples + (inFragments.get(picture.id) ?? 0);
  if (!count)
    throw cut
      ? new ClipError("truncated", "none of its pictures are there")
      : new ClipError("noPicture");
  if (pictures.beyond > LOST * pictures.samples)
    throw new ClipError(
      "truncated",
      `${pictures.samples - pictures.beyond} of ${pictures.samples} pictures are there`,
    );
  if (pictures.samples > 0) checkTimes(pictures);
  return { codec: picture.codec, sound: tracks.filter((t) => t.kind === "soun").every(isSound) };
}

function checkTimes({ samples, durationS }: TrackTables): void {
  if (durationS > LONGEST_H * 3600)
    throw new ClipError("tooLong", `${(durationS / 3600).toFixed(0)} hours`);
  const fps = durationS > 0 ? samples / durationS : Infinity;
  if (samples > 1 && !(fps >= FPS[0] && fps <= FPS[1]))
    throw new TableError(`it has ${fps.toFixed(1)} pictures a second`);
}

/** Sound whose tables are damaged is left out: the picture can still be read. */
function isSound(track: TrackHead): boolean {
  try {
    track.tables();
    return true;
  } catch {
    return false;
  }
}

function trackHead(moov: Bytes, trak: ContainerBox, fileBytes: number): TrackHead {
  const [tkhd, hdlr, mdhd, stbl] = [
    ["tkhd"],
    ["mdia", "hdlr"],
    ["mdia", "mdhd"],
    ["mdia", "minf", "stbl"],
  ].map((path) => boxAt(moov, trak, ...path));
  const kind = hdlr && hdlr.from + 12 <= hdlr.to ? moov.type(hdlr.from + 8) : "";
  const wide = (box: ContainerBox) => moov.data[box.from] === 1;
  const id = tkhd ? moov.u32(tkhd.from + (wide(tkhd) ? 20 : 12)) : 0;
  const timescale = mdhd ? moov.u32(mdhd.from + (wide(mdhd) ? 20 : 12)) : 0;
  const entry = stbl && firstEntry(moov, stbl);
  return {
    id,
    kind,
    codec: entry ? moov.type(entry.at + 4) : null,
    // Of a picture's entry (ISO/IEC 14496-12, 12.1.3).
    size:
      kind === "vide" && entry && entry.at + 36 <= entry.to
        ? { width: moov.u16(entry.at + 32), height: moov.u16(entry.at + 34) }
        : null,
    tables: () => {
      if (!stbl || !timescale) throw new TableError("a track has no tables");
      return checkTables(moov, stbl, timescale, fileBytes);
    },
  };
}

function firstEntry(moov: Bytes, stbl: ContainerBox): { at: number; to: number } | null {
  const stsd = boxAt(moov, stbl, "stsd");
  return stsd && stsd.from + 16 <= stsd.to ? { at: stsd.from + 8, to: stsd.to } : null;
}

/** Samples of all fragments, by track. */
function fragmentCounts(
  moov: Bytes,
  whole: { from: number; to: number },
  moofs: readonly Bytes[],
  bytes: number,
): Map<number, number> {
  const mvex = boxAt(moov, whole, "mvex");
  const trexes = mvex
    ? [...boxesIn(moov, mvex.from, mvex.to)].filter((b) => b.type === "trex" && b.from + 20 <= b.to)
    : [];
  const defaults = new Map(
    trexes.map((t): [number, FragmentDefaults] => [
      moov.u32(t.from + 4),
      { size: moov.u32(t.from + 16) },
    ]),
  );
  const counts = new Map<number, number>();
  for (const moof of moofs)
    countFragment(moof, { from: 0, to: moof.length }, defaults, bytes, counts);
  return counts;
}
