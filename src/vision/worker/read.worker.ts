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
import type { Progress, Reader, ReadFailure, ReadSuccess } from "./protocol";

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
    try {
      // Whether the file can be read at all is known before the network is there.
      const clip = await openClip(new BlobSource(file), file.size);
      try {
        onProgress({ step: "loading" });
        const net = await load();
        if (abort.signal.aborted) throw new ClipError("cancelled");
        onProgress({ step: "looking" });
        let last = 0;
        const { track, timings } = await readClip(clip, net, {
          faceOn: true,
          asked: askedBy({ drill: readFor.drill, golfer: { statureCm: readFor.statureCm, hand: readFor.hand } }),
          signal: abort.signal,
          progress: (far) => {
            const now = performance.now();
            if (now - last < 100 && far.share < 1) return;
            last = now;
            onProgress({ step: "reading", far } satisfies Progress);
          },
        });
        const bytes = writeTrack(track);
        return { ok: true, track: bytes, trackSha256: await sha256(bytes), clipSha256: await sha256(await file.arrayBuffer()), timings, durationMs: track.video.durationMs };
      } finally {
        clip.close();
      }
    } catch (error) {
      const known = error instanceof ClipError ? error : new ClipError("reading", error instanceof Error ? error.message : String(error), error);
      return { ok: false, code: known.code, message: known.message, action: known.action };
    }
  },
  cancel() {
    running?.abort();
  },
};

async function sha256(data: BufferSource): Promise<string> {
  const digest = await crypto.subtle.digest("SHA-256", data);
  return Array.from(new Uint8Array(digest), (b) => b.toString(16).padStart(2, "0")).join("");
}

expose(reader);
