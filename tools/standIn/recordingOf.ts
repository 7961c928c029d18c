import { readLooks } from "./recordedLooks";
import { recordedNetwork, type Recording } from "./recordedNetwork";
import type { Loaded } from "../../src/vision/worker/loadBrowser";

/** A recording that the page's site serves (see `standIn`). */
export const recordingAt = async (
  url: string,
  ms: number,
  periodMs?: number,
): Promise<Recording> => ({
  looks: await readLooks(await (await fetch(url)).arrayBuffer()),
  ms,
  periodMs,
});

/** As a worker loads a network. */
export const loadedRecording = (recording: () => Recording): Loaded => {
  const network = recordedNetwork(recording);
  return {
    network,
    about: { on: "processor", atOnce: 1, lookMs: recording().ms, model: network.model },
    end() {},
  };
};
