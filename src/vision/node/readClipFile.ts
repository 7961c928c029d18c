import type { OpenClip } from "../decode";
import type { PoseNetwork } from "../network";
import { readClip, type ReadOptions } from "../read";
import { openClipFile } from "./loadNode";

/**
 * Opens a clip file, reads it into a track, and closes it.
 *
 * @param network made ready once the clip is open: a file that can't be read does not wait for it
 * @param looked called at each picture that is decoded
 * @throws ClipError as `openClip` and `readClip` do
 */
export async function readClipFile(
  file: string,
  network: PoseNetwork | ((opened: OpenClip) => Promise<PoseNetwork>),
  { looked, ...options }: ReadOptions & { looked?: () => void },
): ReturnType<typeof readClip> {
  const clip = await openClipFile(file);
  try {
    const ready = typeof network === "function" ? await network(clip) : network;
    return await readClip(looked ? told(clip, looked) : clip, ready, options);
  } finally {
    clip.close();
  }
}

/** The same clip, which tells of each picture that it hands out. */
function told(clip: OpenClip, looked: () => void): OpenClip {
  async function* telling<T>(
    pictures: AsyncGenerator<T, void, unknown>,
  ): AsyncGenerator<T, void, unknown> {
    for await (const picture of pictures) {
      looked();
      yield picture;
    }
  }
  return {
    ...clip,
    pictures: (from, to) => telling(clip.pictures(from, to)),
    async keyPictures(apartMs) {
      const { count, pictures } = await clip.keyPictures(apartMs);
      return { count, pictures: () => telling(pictures()) };
    },
  };
}
