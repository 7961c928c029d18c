import { BlobSource } from "mediabunny";
import type { Track } from "../../core/track";
import { askedBy } from "../anytime";
import { ClipError, openClip } from "../decode";
import type { PoseNetwork } from "../network";
import { readClip, type ReadOptions, type ReadTimings } from "../read";

/** What a film is read for, and how its reading is followed and stopped. */
export interface FilmReading extends Pick<ReadOptions, "faceOn" | "signal" | "progress"> {
  asked: Parameters<typeof askedBy>[0];
}

/**
 * Reads a film from a file.
 *
 * @param network comes when it is there: whether the file can be read at all is known before
 * @throws ClipError whatever the file, or reading it, meets
 */
export async function readFilm(
  file: Blob,
  network: () => Promise<PoseNetwork>,
  { asked, ...options }: FilmReading,
): Promise<{ track: Track; timings: ReadTimings }> {
  const clip = await openClip(
    new BlobSource(file),
    file.size,
    async (from, to) => new Uint8Array(await file.slice(from, to).arrayBuffer()),
  );
  try {
    const net = await network();
    if (options.signal?.aborted) throw new ClipError("cancelled");
    return await readClip(clip, net, { ...options, asked: askedBy(asked) });
  } finally {
    clip.close();
  }
}
