import type { PoseNetwork } from "../network/poseNetwork";
import { readClip, type ReadOptions } from "../read";
import { openClipFile } from "./loadNode";

/** Opens a clip file, reads it into a track, and closes it. @throws ClipError as `openClip` and `readClip` do */
export async function readClipFile(file: string, network: PoseNetwork, options: ReadOptions): ReturnType<typeof readClip> {
  const clip = await openClipFile(file);
  try {
    return await readClip(clip, network, options);
  } finally {
    clip.close();
  }
}
