import { keepReps, NotKeptError, sendBlob, type FilmedFor } from "./keep";
import type { ClipState } from "./queue";

/** Whom a clip is read for and what its reps are judged by: as it was when its reading began. */
export interface KeptFor {
  golfer: FilmedFor;
  drill: string;
  version: number | undefined;
  stage: string | undefined;
}

/** A clip's track, as it was read. */
export interface ReadTrack {
  clipSha256: string;
  track: { bytes: Uint8Array; sha256: string };
}

/**
 * Keeps what was read of a clip.
 *
 * @param captureFps pictures a second at which it was really filmed, as the golfer answered
 * @returns how the clip stands now: done, asked about, or failed with what to do
 */
export async function keptState(
  file: File,
  { clipSha256, track }: ReadTrack,
  {
    golfer,
    drill,
    version,
    stage,
    keepFilm,
    captureFps,
  }: KeptFor & { keepFilm: boolean; captureFps: number | undefined },
): Promise<ClipState> {
  try {
    if (keepFilm) await sendBlob("clips", clipSha256, file);
    await sendBlob("tracks", track.sha256, new Blob([track.bytes as BlobPart]));
    const { reps, ids, problems } = await keepReps({
      golfer,
      clip: { sha256: clipSha256, name: file.name, bytes: file.size },
      trackSha256: track.sha256,
      drill,
      ...(version === undefined ? {} : { drillVersion: version }),
      ...(stage ? { stage } : {}),
      captureFps,
    });
    const slow = problems.find((p) => p.code === "slowMotion");
    if (slow)
      return { step: "asks", question: "slowMotion", track, clipSha256, message: slow.message };
    return reps[0] ? { step: "done", repId: ids[0]!, ...reps[0] } : { step: "nothing", problems };
  } catch (error) {
    return {
      step: "failed",
      message:
        error instanceof NotKeptError
          ? error.message
          : "The program on this computer does not answer.",
      action: "The clip is untouched. Try again.",
      again: true,
    };
  }
}
