import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";

/** Another process has this data open. The database itself would not notice, and rows would be lost. */
export class DataInUseError extends Error {
  override name = "DataInUseError";
  constructor(dir: string, pid: number) {
    super(`The data in ${dir} is open in another process (${pid}). Close that one first, or start this one with another KINGFISHER_DATA.`);
  }
}

/**
 * Takes the data directory for this process: a file made only if it is not there, holding the process's number. The lock
 * of a process that is gone is taken over.
 *
 * @returns gives the directory back
 * @throws DataInUseError
 */
export function lockData(dir: string): () => void {
  mkdirSync(dir, { recursive: true });
  const file = path.join(/* turbopackIgnore: true */ dir, "kingfisher.lock");
  for (let attempt = 0; attempt < 3; attempt++) {
    try {
      writeFileSync(file, String(process.pid), { flag: "wx" });
      const release = () => {
        if (readPid(file) === process.pid) rmSync(file, { force: true });
      };
      process.once("exit", release);
      return release;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== "EEXIST") throw error;
      const pid = readPid(file);
      if (pid === process.pid) return () => rmSync(file, { force: true });
      if (pid !== null && alive(pid)) throw new DataInUseError(dir, pid);
      rmSync(file, { force: true });
    }
  }
  throw new DataInUseError(dir, readPid(file) ?? 0);
}

function readPid(file: string): number | null {
  try {
    const pid = Number(readFileSync(file, "utf8"));
    return Number.isInteger(pid) && pid > 0 ? pid : null;
  } catch {
    return null;
  }
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
}
