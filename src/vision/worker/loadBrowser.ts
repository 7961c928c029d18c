import {
  AGREED_PX,
  disagreement,
  lookMs,
  CROP_SIDE,
  type PoseNetwork,
  networkIn,
  threadPlan,
} from "../network";
import { fetchNetwork, type Came } from "./networkFiles";
import type { AboutDevice } from "./protocol";

const GOLDEN = ["/golden/1.png", "/golden/2.png", "/golden/3.png"];
/** A graphics processor that has not answered by then is left alone, ms. */
const PATIENCE_MS = 30_000;

const start = (name: string) =>
  new Worker(new URL("./network.worker.ts", import.meta.url), { type: "module", name });

/** Where the network runs on this device, and what a look takes. */
export interface Loaded {
  network: PoseNetwork;
  about: AboutDevice;
  end(): void;
}

/**
 * The network in workers of its own, on the processor. @param told hears what of its files has
 * come, the first time
 */
export async function onProcessor(told: (came: Came) => void = () => {}): Promise<Loaded> {
  await fetchNetwork(told);
  const plan = threadPlan(navigator.hardwareConcurrency || 1, self.crossOriginIsolated);
  const workers = Array.from({ length: plan.networks }, () => start(`${plan.threads}`));
  const end = () => workers.forEach((w) => w.terminate());
  try {
    const network = await networkIn(workers);
    return {
      network,
      about: {
        on: "processor",
        atOnce: network.atOnce,
        lookMs: await lookMs(network),
        model: network.model,
      },
      end,
    };
  } catch (error) {
    end();
    throw error;
  }
}

/**
 * The network on the graphics processor, where there is one that sees the golden crops as the
 * processor does, and sooner; else null.
 */
export async function onGraphics(processor: Loaded): Promise<Loaded | null> {
  const worker = start("graphics");
  const late = new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE_MS));
  const tried = (async () => {
    const network = await networkIn([worker]);
    const apartPx = await disagreement(
      processor.network,
      network,
      await Promise.all(GOLDEN.map(goldenCrop)),
    );
    const ms = await lookMs(network);
    if (apartPx > AGREED_PX || ms >= processor.about.lookMs) return null;
    return {
      network,
      about: {
        on: "graphics" as const,
        atOnce: network.atOnce,
        lookMs: ms,
        model: network.model,
        apartPx,
      },
      end: () => worker.terminate(),
    };
  })();
  const chosen = await Promise.race([tried, late]).catch(() => null);
  if (!chosen) worker.terminate();
  return chosen;
}

/** Where the network runs while a camera does not wait: chosen before the camera starts. */
export async function chooseNetwork(told?: (came: Came) => void): Promise<Loaded> {
  const processor = await onProcessor(told);
  const graphics = await onGraphics(processor).catch(() => null);
  if (!graphics) return processor;
  processor.end();
  return graphics;
}

async function goldenCrop(url: string): Promise<Float32Array> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`${url}: ${response.status}`);
  const picture = await createImageBitmap(await response.blob());
  const context = new OffscreenCanvas(CROP_SIDE, CROP_SIDE).getContext("2d")!;
  context.drawImage(picture, 0, 0);
  const { data } = context.getImageData(0, 0, CROP_SIDE, CROP_SIDE);
  return Float32Array.from(
    { length: CROP_SIDE * CROP_SIDE * 3 },
    (_, i) => data[Math.floor(i / 3) * 4 + (i % 3)]! / 255,
  );
}
