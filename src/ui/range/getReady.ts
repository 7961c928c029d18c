import { proxy, wrap } from "comlink";
import type { LiveWorker } from "@/vision/worker/liveProtocol";
import type { Came } from "@/vision/worker/networkFiles";
import runtime from "@/vision/worker/runtimeVersion.json" with { type: "json" };

/** What is kept for the range belongs to this version of the network's files. */
export const RUNTIME = runtime.dir;

/** A new service worker answers for the page within this, ms. */
const TAKES_OVER_MS = 5_000;

/** Why a phone can't be got ready, and what to do. */
export class NotReadyError extends Error {
  override name = "NotReadyError";
}

/**
 * Installs what the page needs to start and judge with no computer in reach: its own files by a
 * service worker, then the network by having it look once, which fetches what this device uses.
 *
 * @param films that stand in for a camera
 * @throws NotReadyError where the browser allows none of it
 */
export async function getReady(
  films: readonly string[],
  came: (came: Came) => void,
): Promise<void> {
  await installed();
  const worker = new Worker(new URL("../../vision/worker/live.worker.ts", import.meta.url), {
    type: "module",
    name: "live",
  });
  try {
    await wrap<LiveWorker>(worker).warm(proxy(came));
  } finally {
    worker.terminate();
  }
  for (const film of films) await (await fetch(film)).arrayBuffer();
}

/** The service worker has all of the page's own files, and answers for this page. */
async function installed(): Promise<void> {
  const { serviceWorker } = navigator as { serviceWorker?: ServiceWorkerContainer };
  if (!serviceWorker)
    throw new NotReadyError(
      "This browser keeps no pages for when the computer is away: either it is in a private window, or it does not trust this computer’s certificate. Open /trust on this address.",
    );
  const refused = (error: unknown) => {
    throw new NotReadyError(
      `The browser did not take it: ${error instanceof Error ? error.message : String(error)}. It must trust this computer’s certificate (open /trust on this address), and have room.`,
    );
  };
  await serviceWorker.register("/serwist/sw.js", { scope: "/" }).catch(refused);
  await serviceWorker.ready;
  if (serviceWorker.controller) return;
  const answers = new Promise<true>((resolve) =>
    serviceWorker.addEventListener("controllerchange", () => resolve(true), { once: true }),
  );
  const late = new Promise<false>((resolve) => setTimeout(() => resolve(false), TAKES_OVER_MS));
  // A page that was loaded past the service worker is not taken over by one that is there already.
  if (!(await Promise.race([answers, late])))
    throw new NotReadyError("The page has to be loaded once more. Then try again.");
}
