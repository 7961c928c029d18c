import { keepReps, NotKeptError, sendBlob, type FilmedFor } from "./keep";
import type { ClipAnswer, ClipState } from "./queue";

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
    answer,
  }: KeptFor & { keepFilm: boolean; answer: ClipAnswer },
): Promise<ClipState> {
  const { captureFps, sure, otherHand } = answer;
  try {
    if (keepFilm) await sendBlob("clips", clipSha256, file);
    await sendBlob("tracks", track.sha256, new Blob([track.bytes as BlobPart]));
    const hand = !otherHand ? golfer.hand : golfer.hand === "left" ? "right" : "left";
    const { reps, ids, problems, question } = await keepReps({
      golfer: { ...golfer, hand },
      clip: { sha256: clipSha256, name: file.name, bytes: file.size },
      trackSha256: track.sha256,
      drill,
      ...(version === undefined ? {} : { drillVersion: version }),
      ...(stage ? { stage } : {}),
      ...(captureFps === undefined ? {} : { captureFps }),
      ...(sure ? { sure } : {}),
    });
    if (question) return { step: "asks", question, answered: answer, track, clipSha256 };
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
