import { boxAt, type ContainerBox, type Bytes } from "./boxes";

/** What the tables of a track say that it holds, held against the file. */
export interface TrackTables {
  /** Pictures, or pieces of sound. */
  samples: number;
  bytes: number;
  /** In the track's own time, s. */
  durationS: number;
  /** Samples that end beyond the file: its end is missing. */
  beyond: number;
}

/** The tables of a track contradict each other, or claim what no file of this size can hold. */
export class TableError extends Error {
  override name = "TableError";
}

/** More samples than a day of film at 30 pictures a second has. */
export const MOST_SAMPLES = 2_592_000;

const claim = (holds: boolean, what: string): void => {
  if (!holds) throw new TableError(what);
};

/**
 * A table of a box: its number of entries, which must all be there. @param head bytes before that
 * number; @param each bytes of an entry
 */
function entries(
  bytes: Bytes,
  box: ContainerBox,
  head: number,
  each: number,
): { n: number; at: (i: number) => number } {
  const start = box.from + head + 4;
  claim(start <= box.to, `${box.type} is cut`);
  const n = bytes.u32(box.from + head);
  claim(
    n <= MOST_SAMPLES && start + n * each <= box.to,
    `${box.type} claims ${n} entries and has no room for them`,
  );
  return { n, at: (i) => start + i * each };
}

/**
 * Bytes of each sample (`stsz`, ISO/IEC 14496-12, 8.7.3); tables of half bytes (`stz2`) are not
 * written by any phone.
 */
function sampleSizes(
  bytes: Bytes,
  table: ContainerBox,
  fileBytes: number,
): { n: number; size: (i: number) => number } {
  claim(table.from + 12 <= table.to, "stsz is cut");
  const same = bytes.u32(table.from + 4);
  if (same) {
    const n = bytes.u32(table.from + 8);
    claim(
      n <= MOST_SAMPLES && n * same <= fileBytes,
      `stsz claims ${n} samples of ${same} bytes in a file of ${fileBytes}`,
    );
    return { n, size: () => same };
  }
  const { n, at } = entries(bytes, table, 8, 4);
  return { n, size: (i) => bytes.u32(at(i)) };
}

/** Sum of the counts of a table of runs (`stts`, `ctts`). */
function runs(
  bytes: Bytes,
  box: ContainerBox,
  each?: (count: number, value: number) => void,
): number {
  const { n, at } = entries(bytes, box, 4, 8);
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const count = bytes.u32(at(i));
    sum += count;
    each?.(count, bytes.u32(at(i) + 4));
    claim(sum <= MOST_SAMPLES, `${box.type} claims ${sum} samples and more`);
  }
  return sum;
}

/**
 * Holds the tables of a track that is not in fragments against each other and against the file.
 *
 * @param stbl the sample table box; @param timescale units a second of the track's time
 * @throws TableError
 */
export function checkTables(
  bytes: Bytes,
  stbl: ContainerBox,
  timescale: number,
  fileBytes: number,
): TrackTables {
  const table = (type: string): ContainerBox | null => boxAt(bytes, stbl, type);
  const [stsz, stts, stsc, ctts, stss] = [
    table("stsz"),
    table("stts"),
    table("stsc"),
    table("ctts"),
    table("stss"),
  ];
  if (!stsz || !stts || !stsc) throw new TableError("a table is missing");
  const { n, size } = sampleSizes(bytes, stsz, fileBytes);
  let ticks = 0;
  const timed = runs(bytes, stts, (count, delta) => (ticks += count * delta));
  claim(timed === n, `stts has the times of ${timed} samples, and there are ${n}`);
  if (ctts) claim(runs(bytes, ctts) === n, "ctts is of another number of samples");
  if (stss)
    claim(entries(bytes, stss, 4, 4).n <= n, "stss has more key samples than there are samples");
  const { total, beyond } = placed(bytes, stbl, stsc, n, size, fileBytes);
  return { samples: n, bytes: total, durationS: ticks / timescale, beyond };
}

/** Where each sample lies, by chunks (`stsc`, `stco` or `co64`). */
function placed(
  bytes: Bytes,
  stbl: ContainerBox,
  stsc: ContainerBox,
  n: number,
  size: (i: number) => number,
  fileBytes: number,
): { total: number; beyond: number } {
  const stco = boxAt(bytes, stbl, "stco");
  const offsets = stco ?? boxAt(bytes, stbl, "co64");
  if (!offsets) throw new TableError("a table is missing");
  const chunks = entries(bytes, offsets, 4, stco ? 4 : 8);
  const groups = entries(bytes, stsc, 4, 12);
  claim(n === 0 || groups.n > 0, "stsc is empty");
  let [sample, total, beyond, group] = [0, 0, 0, 0];
  for (let c = 0; c < chunks.n && sample < n; c++) {
    while (group + 1 < groups.n && bytes.u32(groups.at(group + 1)) <= c + 1) {
      group++;
      claim(bytes.u32(groups.at(group)) > bytes.u32(groups.at(group - 1)), "stsc does not go on");
    }
    const each = bytes.u32(groups.at(group) + 4);
    claim(each >= 1 && each <= n - sample, `stsc claims a chunk of ${each} samples`);
    let at = stco ? bytes.u32(chunks.at(c)) : bytes.u64(chunks.at(c));
    for (let k = 0; k < each; k++, sample++) {
      at += size(sample);
      total += size(sample);
      if (at > fileBytes) beyond++;
    }
  }
  claim(sample === n, `the chunks hold ${sample} samples, and there are ${n}`);
  // Samples may not share bytes: a table that points to the same ones again and again is as large
  // as it likes.
  claim(
    total - fileBytes <= 0 || beyond > 0,
    `the samples are ${total} bytes long, in a file of ${fileBytes}`,
  );
  return { total, beyond };
}
