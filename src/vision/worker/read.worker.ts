import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { expose } from "comlink";
import { BlobSource } from "mediabunny";
import { writeTrack } from "../../core/formats/trackFile";
import { askedBy } from "../anytime/asked";
import { ClipError } from "../decode/clipError";
import { openClip } from "../decode/openClip";
import type { PoseNetwork } from "../network/poseNetwork";
import { networkIn } from "../network/thread";
import { threadPlan } from "../network/threadPlan";
import { readClip } from "../read";
import type { Progress, ReadFor, Reader, ReadFailure, ReadSuccess } from "./protocol";

let threads: Worker[] | null = null;
let network: Promise<PoseNetwork> | null = null;
let running: AbortController | null = null;

const load = () => {
  const plan = threadPlan(navigator.hardwareConcurrency || 1, self.crossOriginIsolated);
  threads ??= Array.from({ length: plan.networks }, () => new Worker(new URL("./network.worker.ts", import.meta.url), { type: "module", name: `${plan.threads}` }));
  network ??= networkIn(threads).catch((error: unknown) => {
    network = null;
    throw new ClipError("network", undefined, error);
  });
  return network;
};

const reader: Reader = {
  async warm() {
    const { threads, model } = await load();
    return { threads, model };
  },
  async read(file, readFor, onProgress): Promise<ReadSuccess | ReadFailure> {
    const abort = (running = new AbortController());
    const stopped = new Promise<never>((_, reject) => abort.signal.addEventListener("abort", () => reject(new ClipError("cancelled"))));
    try {
      const reading = readOne(file, readFor, abort.signal, onProgress);
      // Stopping does not wait for a picture that is under way; nobody asks for what reading says then.
      reading.catch(() => {});
      return await Promise.race([reading, stopped]);
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
  try {
    onProgress({ step: "loading" });
    const net = await load();
    if (signal.aborted) throw new ClipError("cancelled");
    onProgress({ step: "looking" });
    let last = 0;
    const { track, timings } = await readClip(clip, net, {
      faceOn: true,
      asked: askedBy({ drill: readFor.drill, golfer: { statureCm: readFor.statureCm, hand: readFor.hand } }),
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
