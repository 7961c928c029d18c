// Runs the command line in a process of its own and passes on what it says. A damaged clip can end
// a decoder, stop it for ever or fill the memory, in ways that nothing inside that process can
// answer: then it is ended, the clip is named with why, and the next ones are read by a new
// process. Plain JavaScript, so that it starts at once.
import { fork } from "node:child_process";
import { readFileSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";

/**
 * @typedef {{ out?: string, say?: string, progress?: string, begins?: { index: number, name: string
 * }, patienceMs?: number, words?: Record<"stalled" | "memory" | "reading", string>, code?: number
 * }} Message
 */

/** A process that reads takes no more than this: half of a small computer's memory, bytes. */
const MOST_MEMORY = 1.4e9;
const LOOKED_AT_MS = 150;
/**
 * Without a word for this long it is ended; it may ask for more before something that takes longer,
 * ms.
 */
const PATIENCE_MS = 9_000;
/** It starts within this, ms. */
const START_MS = 60_000;
const PAGE_BYTES = 4096;
/**
 * The decoder's pictures are garbage by the megabyte: with room for them the collector runs once a
 * clip and not every ten pictures.
 */
const FLAGS = ["--initial-old-space-size=512"];

/** @param {string} script @param {string[]} args */
export async function watch(script, args) {
  process.stdout.on("error", (error) => {
    // Whoever reads has seen enough.
    if (/** @type {NodeJS.ErrnoException} */ (error).code === "EPIPE")
      process.exit(process.exitCode ?? 0);
    throw error;
  });
  let skip = 0;
  let failed = false;
  for (;;) {
    const end = await once(script, args, skip);
    if (end.failed === null) {
      process.exitCode = failed ? 1 : end.code;
      return;
    }
    failed = true;
    process.stderr.write(`${end.failed}\n`);
    if (end.at === null) {
      process.exitCode = 1;
      return;
    }
    skip = end.at + 1;
  }
}

/**
 * @param {string} script @param {string[]} args @param {number} skip clips that are done with
 * @returns {Promise<{ failed: null, code: number } | { failed: string, at: number | null }>}
 */
async function once(script, args, skip) {
  const child = fork(script, args, {
    execArgv: FLAGS,
    stdio: ["ignore", "ignore", "ignore", "ipc"],
    env: { ...process.env, KINGFISHER_SKIP: String(skip) },
  });
  const ended = new AbortController();
  /** @type {{ index: number, name: string } | null} */
  let clip = null;
  /** @type {Message["words"]} */
  let words;
  /** @type {number | null} */
  let code = null;
  let until = Date.now() + START_MS;
  /** @type {"stalled" | "memory" | null} */
  let why = null;
  child.on("message", (/** @type {Message} */ m) => {
    until = Date.now() + (m.patienceMs ?? PATIENCE_MS);
    if (m.words) words = m.words;
    if (m.begins) clip = m.begins;
    if (m.out !== undefined) process.stdout.write(m.out);
    if (m.say !== undefined) process.stderr.write(m.say);
    if (m.progress !== undefined && process.stderr.isTTY) process.stderr.write(m.progress);
    if (m.code !== undefined) code = m.code;
  });
  const kill = (/** @type {typeof why} */ because) => {
    why ??= because;
    child.kill("SIGKILL");
  };
  for (const signal of /** @type {const} */ (["SIGINT", "SIGTERM"]))
    process.once(signal, () => (child.kill(signal), process.exit(130)));
  const looking = (async () => {
    while (!ended.signal.aborted) {
      if (memoryOf(child.pid) > MOST_MEMORY) kill("memory");
      else if (Date.now() > until) kill("stalled");
      await wait(LOOKED_AT_MS, undefined, { signal: ended.signal }).catch(() => {});
    }
  })();
  await new Promise((resolve) => child.on("close", resolve));
  ended.abort();
  await looking;
  if (code !== null) return { failed: null, code };
  const said = words?.[why ?? "reading"] ?? "The program ended by itself.";
  return {
    failed: clip === null ? said : `${/** @type {{ name: string }} */ (clip).name}: ${said}`,
    at: /** @type {{ index: number } | null} */ (clip)?.index ?? null,
  };
}

/**
 * Memory that a process holds, bytes; 0 where the system does not say. @param {number | undefined}
 * pid
 */
function memoryOf(pid) {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, "utf8").split(" ")[1]) * PAGE_BYTES;
  } catch {
    return 0;
  }
}
