import type { Track } from "../../core/track/track";
import type { Asked } from "./asked";
import { nextFrames } from "./plan";

/** How frames are looked at, and what is known then. */
export interface Looking {
  /** The track of the looks taken so far; `followed` with what is followed in the picture too. */
  looks: () => Track;
  followed: () => Track;
  lookAt: (frames: readonly number[]) => Promise<void>;
}

/**
 * Looks closer, round by round after a first look, until the plan has no more frames to look at.
 *
 * @param search whether to look closer where no rep was found; not in the pauses of a long film
 */
export async function lookInRounds({ wanted, analyse }: Asked, faceOn: boolean, { looks, followed, lookAt }: Looking, search = true): Promise<Track> {
  await lookAt(nextFrames(looks(), null, wanted, faceOn));
  for (;;) {
    const track = followed();
    const frames = nextFrames(track, await analyse(track), wanted, faceOn, search);
    if (!frames.length) return track;
    await lookAt(frames);
  }
}
