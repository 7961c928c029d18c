import { closeSync, ftruncateSync, mkdirSync, openSync, readFileSync, writeSync } from "node:fs";
import { tryLock } from "fs-native-extensions";
import { under } from "../dataDir";

/**
 * Another process has this data open. The database itself would not notice, and rows would be lost.
 */
export class DataInUseError extends Error {
  override name = "DataInUseError";
  constructor(what: string, holder: string) {
    super(
      `The data in ${what} is open in another process${holder && ` (${holder})`}. Close ` +
        "that one first, or start this one with another KINGFISHER_DATA.",
    );
  }
}

/**
 * Takes the data directory for this process by a lock of the operating system's on
 * `kingfisher.lock`. It ends with the process, however that ends, so none is ever left behind, and
 * only one of two that start together gets it. The number in the file is for people.
 *
 * @returns gives the directory back
 * @throws DataInUseError
 */
export function lockData(dir: string): () => void {
  mkdirSync(dir, { recursive: true });
  const file = under(dir, "kingfisher.lock");
  const fd = openSync(file, "a+");
  if (!tryLock(fd)) {
    closeSync(fd);
    throw new DataInUseError(dir, readFileSync(file, "utf8").trim().slice(0, 20));
  }
  ftruncateSync(fd, 0);
  writeSync(fd, String(process.pid));
  let held = true;
  return () => {
    if (held) closeSync(fd);
    held = false;
  };
}
