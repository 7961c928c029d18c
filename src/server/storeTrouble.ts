/** Why something could not be kept, in words that say what to do. */
export interface StoreTrouble {
  status: 507 | 500 | 400;
  message: string;
}

const FULL: StoreTrouble = {
  status: 507,
  message: "The disk is full. Free some space, then send it again: nothing is lost on the phone.",
};
const SHUT: StoreTrouble = {
  status: 500,
  message:
    "The data directory can't be written. Give this program the right to write there, or start it with another KINGFISHER_DATA; nothing is lost on the phone.",
};

/** No database text holds a NUL. */
const NUL: StoreTrouble = {
  status: 400,
  message: "There is a character in it that can't be kept. Take it out, then send it again.",
};

/** By code of the system, or of the database. */
const KNOWN: Readonly<Record<string, StoreTrouble>> = {
  ENOSPC: FULL,
  EFBIG: FULL,
  EDQUOT: FULL,
  "53100": FULL,
  "53200": FULL,
  EACCES: SHUT,
  EROFS: SHUT,
  EPERM: SHUT,
  "25006": SHUT,
  "22021": NUL,
  "22P05": NUL,
};

/**
 * What stands behind an error that storing threw, however deep; null where it is none of the
 * disk's.
 */
export function storeTrouble(error: unknown): StoreTrouble | null {
  for (let e: unknown = error, depth = 0; e instanceof Error && depth < 6; e = e.cause, depth++) {
    const known = KNOWN[(e as NodeJS.ErrnoException).code ?? ""];
    if (known) return known;
    if (/No space left|File too large|could not (extend|write)/i.test(e.message)) return FULL;
    if (/Permission denied|Read-only file system/i.test(e.message)) return SHUT;
  }
  return null;
}
