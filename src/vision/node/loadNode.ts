import { open } from "node:fs/promises";
import os from "node:os";
import { Worker } from "node:worker_threads";
import { registerMediabunnyServer } from "@mediabunny/server";
import nodeEndpoint from "comlink/dist/esm/node-adapter.mjs";
import { FilePathSource } from "mediabunny";
import { Log } from "node-av";
import { AV_LOG_QUIET } from "node-av/constants";
import { openClip, type OpenClip } from "../decode";
import { type PoseNetwork, networkIn, threadPlan, type ThreadPlan } from "../network";

const networks = new Map<string, Promise<PoseNetwork>>();

/**
 * The full network in threads of its own, so that pictures are decoded and cut while it runs;
 * decoding stays here, because the decoders don't survive the end of a thread. Needs V8's relaxed
 * SIMD (`--experimental-wasm-relaxed-simd`, set by bin/kingfisher.mjs) to give the browser's
 * numbers and to use threads.
 *
 * @param plan as `threadPlan` says; a network is loaded once a plan
 */
export function loadNodeNetwork(
  plan: ThreadPlan = threadPlan(os.cpus().length, true),
): Promise<PoseNetwork> {
  const key = JSON.stringify(plan);
  const known = networks.get(key);
  if (known) return known;
  const thread = () =>
    nodeEndpoint(
      new Worker(new URL("./networkThread.mjs", import.meta.url), {
        workerData: { threads: plan.threads },
      }),
    );
  const network = networkIn(Array.from({ length: plan.networks }, thread));
  networks.set(key, network);
  return network;
}

let decoders = false;

/** Opens a clip file in Node, with the decoders of the installed package (HEVC included). */
export async function openClipFile(file: string): Promise<OpenClip> {
  if (!decoders) {
    registerMediabunnyServer();
    // What a damaged picture makes the decoders say is no news for whoever reads clips.
    Log.setLevel(AV_LOG_QUIET);
  }
  decoders = true;
  const handle = await open(file);
  try {
    const { size } = await handle.stat();
    return await openClip(new FilePathSource(file), size, async (from, to) => {
      const { buffer, bytesRead } = await handle.read({
        buffer: new Uint8Array(to - from),
        position: from,
      });
      return buffer.subarray(0, bytesRead);
    });
  } finally {
    await handle.close();
  }
}
