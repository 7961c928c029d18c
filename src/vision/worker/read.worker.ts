import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { expose } from "comlink";
import { BlobSource } from "mediabunny";
import { findStage } from "../../core/drills";
import { writeTrack } from "../../core/formats/trackFile";
import { askedBy } from "../anytime/asked";
import { ClipError } from "../decode/clipError";
import { openClip } from "../decode/openClip";
import { readClip } from "../read";
import { onGraphics, onProcessor, type Loaded } from "./loadBrowser";
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
    const stopped = new Promise<never>((_, reject) => abort.signal.addEventListener("abort", () => reject(new ClipError("cancelled"))));
    try {
      // Stopping does not wait for a picture that is under way.
      return await Promise.race([readOne(file, readFor, abort.signal, onProgress), stopped]);
    } catch (error) {
      const known = error instanceof ClipError ? error : new ClipError("reading", error instanceof Error ? error.message : String(error), error);
      return { ok: false, code: known.code, message: known.message, action: known.action };
    }
  },
  cancel() {
    running?.abort();
  },
};

async function readOne(file: File, readFor: ReadFor, signal: AbortSignal, onProgress: (p: Progress) => void): Promise<ReadSuccess> {
  // Whether the file can be read at all is known before the network is there.
  const clip = await openClip(new BlobSource(file), file.size);
  open++;
  try {
    onProgress({ step: "loading" });
    const { network: net } = await load();
    if (signal.aborted) throw new ClipError("cancelled");
    onProgress({ step: "looking" });
    let last = 0;
    const { track, timings } = await readClip(clip, net, {
      faceOn: readFor.drill === "none" || findStage(readFor.drill, readFor.stage).stage.view === "face-on",
      asked: askedBy({ drill: readFor.drill, ...(readFor.stage ? { stage: readFor.stage } : {}), golfer: { statureCm: readFor.statureCm, hand: readFor.hand } }),
      signal,
      progress: (far) => {
        const now = performance.now();
        if (signal.aborted || (now - last < 100 && far.share < 1)) return;
        last = now;
        onProgress({ step: "reading", far });
      },
    });
    const bytes = writeTrack(track);
    return { ok: true, track: bytes, trackSha256: bytesToHex(sha256(bytes)), clipSha256: await fileSha256(file), timings, durationMs: track.video.durationMs };
  } finally {
    clip.close();
    open--;
    void takeOver();
  }
}

/** A film may be larger than memory: it is hashed as it comes. */
async function fileSha256(file: File): Promise<string> {
  const hash = sha256.create();
  const reader = file.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) hash.update(part.value);
  return bytesToHex(hash.digest());
}

expose(reader);
