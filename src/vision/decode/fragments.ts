import { boxAt, boxesIn, type Bytes } from "./boxes";
import { MOST_SAMPLES, TableError } from "./sampleTables";

/** What a track's samples are where a fragment does not say (`trex`). */
export interface FragmentDefaults {
  size: number;
}

const OWN_DEFAULT_SIZE = 0x10;
/** Of a run (`trun`, ISO/IEC 14496-12, 8.8.8): what stands in its head, and with each sample. */
const HEAD = [0x1, 0x4] as const;
const EACH = [0x100, 0x200, 0x400, 0x800] as const;
const WITH_SIZE = 0x200;

/**
 * Counts the samples that a fragment claims, track by track, and sees that it has room for them.
 *
 * @param moof what is in a `moof` box; @param left samples that may still come
 * @throws TableError
 */
export function countFragment(
  bytes: Bytes,
  moof: { from: number; to: number },
  defaults: ReadonlyMap<number, FragmentDefaults>,
  fileBytes: number,
  counts: Map<number, number>,
): void {
  for (const traf of boxesIn(bytes, moof.from, moof.to)) {
    if (traf.type !== "traf") continue;
    const tfhd = boxAt(bytes, traf, "tfhd");
    if (!tfhd || tfhd.from + 8 > tfhd.to)
      throw new TableError("a fragment does not say of which track it is");
    const flags = bytes.u32(tfhd.from) & 0xffffff;
    const track = bytes.u32(tfhd.from + 4);
    const sizeAt =
      tfhd.from + 8 + (flags & 0x1 ? 8 : 0) + (flags & 0x2 ? 4 : 0) + (flags & 0x8 ? 4 : 0);
    const own =
      flags & OWN_DEFAULT_SIZE && sizeAt + 4 <= tfhd.to
        ? bytes.u32(sizeAt)
        : (defaults.get(track)?.size ?? 0);
    for (const trun of boxesIn(bytes, traf.from, traf.to)) {
      if (trun.type !== "trun") continue;
      if (trun.from + 8 > trun.to) throw new TableError("a fragment is cut");
      const has = bytes.u32(trun.from) & 0xffffff;
      const n = bytes.u32(trun.from + 4);
      const each = 4 * EACH.filter((f) => has & f).length;
      const head = 8 + 4 * HEAD.filter((f) => has & f).length;
      if (trun.from + head + n * each > trun.to)
        throw new TableError(`a fragment claims ${n} samples and has no room for them`);
      if (!(has & WITH_SIZE) && n * Math.max(1, own) > fileBytes)
        throw new TableError(`a fragment claims ${n} samples in a file of ${fileBytes} bytes`);
      const sum = (counts.get(track) ?? 0) + n;
      if (sum > Math.min(MOST_SAMPLES, fileBytes))
        throw new TableError(`the fragments claim ${sum} samples and more`);
      counts.set(track, sum);
    }
  }
}
