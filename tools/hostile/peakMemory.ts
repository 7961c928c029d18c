import { readdirSync, readFileSync } from "node:fs";

const PAGE_BYTES = 4096;
const EVERY_MS = 100;

/** Watches how much memory a process and those that it began hold together, bytes; Linux only. */
export function peakMemory(pid: number): { end(): number } {
  let peak = 0;
  const timer = setInterval(() => (peak = Math.max(peak, held(pid))), EVERY_MS);
  return {
    end() {
      clearInterval(timer);
      return peak;
    },
  };
}

function held(root: number): number {
  const parents = new Map<number, number>();
  for (const name of readdirSync("/proc"))
    if (/^\d+$/.test(name)) {
      const parent = stat(name);
      if (parent !== null) parents.set(Number(name), parent);
    }
  const own = (pid: number): boolean =>
    pid === root || (parents.has(pid) && parents.get(pid)! > 1 && own(parents.get(pid)!));
  return [...parents.keys()].filter(own).reduce((sum, pid) => sum + resident(pid), 0);
}

/** Parent of a process; null where it has just ended. */
function stat(pid: string): number | null {
  try {
    return Number(
      readFileSync(`/proc/${pid}/stat`, "utf8")
        .replace(/^.*\) /s, "")
        .split(" ")[1],
    );
  } catch {
    return null;
  }
}

function resident(pid: number): number {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, "utf8").split(" ")[1]) * PAGE_BYTES;
  } catch {
    return 0;
  }
}
