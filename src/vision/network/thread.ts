import { Mutex } from "async-mutex";
import { expose, transfer, wrap, type Endpoint, type Remote } from "comlink";
import {
  CROP_SIDE,
  HEAT_SIZE,
  MASK_SIZE,
  type LandmarkOutput,
  type PoseNetwork,
} from "./poseNetwork";

type Floats = Float32Array<ArrayBuffer>;

/** What a thread that runs the network answers. */
interface NetworkThread {
  about(): Promise<Pick<PoseNetwork, "model" | "threads">>;
  /** All three are given away and come back: the crop, and memory for two of its outputs. */
  landmarks(crop: Floats, mask: Floats, heat: Floats): Promise<LandmarkOutput & { crop: Floats }>;
  detect: PoseNetwork["detect"];
}

/**
 * Runs a network for whoever is at the other end, one call after another.
 *
 * @param load called at the first question; when it fails, the next question tries again
 */
export function serveNetwork(load: () => Promise<PoseNetwork>, endpoint?: Endpoint): void {
  let network: Promise<PoseNetwork> | null = null;
  // The runtime takes one picture at a time: a call that comes while it works waits here.
  const runtime = new Mutex();
  const loaded = () =>
    (network ??= load().catch((error: unknown) => {
      network = null;
      throw error;
    }));
  const thread: NetworkThread = {
    async about() {
      const { model, threads } = await loaded();
      return { model, threads };
    },
    landmarks: (crop, mask, heat) =>
      runtime.runExclusive(async () => {
        const { points, presence, ...out } = await (await loaded()).landmarks(crop);
        mask.set(out.mask);
        heat.set(out.heat);
        return transfer({ points, presence, mask, heat, crop }, [
          points.buffer,
          mask.buffer,
          heat.buffer,
          crop.buffer,
        ]);
      }),
    detect: (input) =>
      runtime.runExclusive(async () => {
        const out = await (await loaded()).detect(input);
        return transfer(out, [out.boxes.buffer, out.scores.buffer]);
      }),
  };
  expose(thread, endpoint);
}

/**
 * A network that runs in other threads, each with one of its own: a picture goes, without a copy,
 * to the thread that has the least to do. Two networks on a thread each read more pictures a second
 * than one on two threads.
 */
export async function networkIn(endpoints: readonly Endpoint[]): Promise<PoseNetwork> {
  const threads = endpoints.map((e) => ({ remote: wrap<NetworkThread>(e), under: 0 }));
  const abouts = await Promise.all(threads.map((t) => t.remote.about()));
  const crops: Floats[] = [];
  const outputs: Pick<LandmarkOutput, "mask" | "heat">[] = [];
  const send = async <T>(ask: (thread: Remote<NetworkThread>) => Promise<T>): Promise<T> => {
    const thread = threads.reduce((a, b) => (b.under < a.under ? b : a));
    thread.under++;
    try {
      return await ask(thread.remote);
    } finally {
      thread.under--;
    }
  };
  return {
    model: abouts[0]!.model,
    threads: abouts.reduce((sum, a) => sum + a.threads, 0),
    atOnce: threads.length,
    crop: () => crops.pop() ?? new Float32Array(CROP_SIDE * CROP_SIDE * 3),
    async landmarks(input) {
      const { mask, heat } = outputs.pop() ?? {
        mask: new Float32Array(MASK_SIZE),
        heat: new Float32Array(HEAT_SIZE),
      };
      const { crop, ...output } = await send((t) =>
        t.landmarks(
          transfer(input, [input.buffer]),
          transfer(mask, [mask.buffer]),
          transfer(heat, [heat.buffer]),
        ),
      );
      crops.push(crop);
      return output;
    },
    done: (output) => void outputs.push(output),
    detect: (input) => send((t) => t.detect(transfer(input, [input.buffer]))),
  };
}
