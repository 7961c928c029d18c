import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { expose } from "comlink";
import { findStage } from "../../core/drills";
import { writeTrack } from "../../core/formats/trackFile";
import { ClipError } from "../decode/clipError";
import { onGraphics, onProcessor, type Loaded } from "./loadBrowser";
import { readFilm } from "./readFilm";
import type { Progress, ReadFor, Reader, ReadFailure, ReadSuccess } from "./protocol";

let loaded: Promise<Loaded> | null = null;
/** The graphics processor's network once it has shown itself to be as good, until it takes over. */
let better: Promise<Loaded | null> = Promise.resolve(null);
let running: AbortController | null = null;
let open = 0;

const load = () => {
  loaded ??= onProcessor().then(
    (processor) => {
      better = onGraphics(processor).catch(() => null);
      void better.then(takeOver);
      return processor;
    },
    (error: unknown) => {
      loaded = null;
      throw new ClipError("network", undefined, error);
    },
  );
  return loaded;
};

/** A clip is read to its end by the network that began it. */
async function takeOver(): Promise<void> {
  const [now, next] = [await loaded, await better];
  if (!now || !next || now === next || open > 0) return;
  loaded = Promise.resolve(next);
  now.end();
}

const reader: Reader = {
  async warm() {
    const processor = await load();
    return ((await better) ?? processor).about;
  },
  async read(file, readFor, onProgress): Promise<ReadSuccess | ReadFailure> {
    const abort = (running = new AbortController());
    const stopped = new Promise<never>((_, reject) =>
      abort.signal.addEventListener("abort", () => reject(new ClipError("cancelled"))),
    );
    try {
      // Stopping does not wait for a picture that is under way.
      return await Promise.race([readOne(file, readFor, abort.signal, onProgress), stopped]);
    } catch (error) {
      const known =
        error instanceof ClipError
          ? error
          : new ClipError("reading", error instanceof Error ? error.message : String(error), error);
      return { ok: false, code: known.code, message: known.message, action: known.action };
    }
  },
  cancel() {
    running?.abort();
  },
};

async function readOne(
  file: File,
  readFor: ReadFor,
  signal: AbortSignal,
  onProgress: (p: Progress) => void,
): Promise<ReadSuccess> {
  open++;
  try {
    let last = 0;
    const { track, timings } = await readFilm(
      file,
      async () => {
        onProgress({ step: "loading" });
        const { network } = await load();
        onProgress({ step: "looking" });
        return network;
      },
      {
        faceOn:
          readFor.drill === "none" ||
          findStage(readFor.drill, readFor.stage).stage.view === "face-on",
        asked: {
          drill: readFor.drill,
          ...(readFor.stage ? { stage: readFor.stage } : {}),
          golfer: { statureCm: readFor.statureCm, hand: readFor.hand },
        },
        signal,
        progress: (far) => {
          const now = performance.now();
          if (signal.aborted || (now - last < 100 && far.share < 1)) return;
          last = now;
          onProgress({ step: "reading", far });
        },
      },
    );
    const bytes = writeTrack(track);
    return {
      ok: true,
      track: bytes,
      trackSha256: bytesToHex(sha256(bytes)),
      clipSha256: await fileSha256(file),
      timings,
      durationMs: track.video.durationMs,
    };
  } finally {
    open--;
    void takeOver();
  }
}

/** A film may be larger than memory: it is hashed as it comes. */
async function fileSha256(file: File): Promise<string> {
  const hash = sha256.create();
  const reader = file.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read())
    hash.update(part.value);
  return bytesToHex(hash.digest());
}

expose(reader);
