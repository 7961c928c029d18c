import { renameSync, statSync } from "node:fs";
import pino, { type Logger } from "pino";
import { dataDir, under } from "./dataDir";

/** A log of this size is put aside at the next start, in the place of the one before, bytes. */
const MOST_BYTES = 2_000_000;

let opened: Logger | null = null;

/**
 * What the server did and what went wrong in it: one JSON object a line, in `log/server.ndjson` of
 * the data directory. What the golfer has to know at once stands on the terminal as well.
 *
 * @example log().error({ err: error, path: "/api/reps" }, "a request failed")
 */
export function log(): Logger {
  return (opened ??= open());
}

function open(): Logger {
  const options = { base: { pid: process.pid }, timestamp: pino.stdTimeFunctions.isoTime };
  const file = under(dataDir(), "log", "server.ndjson");
  try {
    if ((statSync(file, { throwIfNoEntry: false })?.size ?? 0) > MOST_BYTES)
      renameSync(file, under(dataDir(), "log", "server.before.ndjson"));
    const lines = pino.destination({ dest: file, mkdir: true, sync: true });
    // A full disk stops no request for want of a line.
    lines.on("error", () => undefined);
    return pino(options, lines);
  } catch {
    return pino(options, pino.destination(process.stderr.fd));
  }
}
