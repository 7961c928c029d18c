import type { Analysis } from "../../core/analysis";
import type { Track } from "../../core/track";
import type { Asked } from "./asked";
import { nextFrames } from "./plan";

/** How frames are looked at, and what is known then. */
export interface Looking {
  /** The track of the looks taken so far; `followed` with what is followed in the picture too. */
  looks: () => Track;
  followed: () => Track | Promise<Track>;
  lookAt: (frames: readonly number[]) => Promise<void>;
}

/** How far a closer look goes. */
export interface Closer {
  /** Where no rep was found, too; not in the pauses of a long film. */
  search?: boolean;
  /** See `nextFrames`. */
  slack?: number;
  /**
   * How many frames there is time for before anything is known; all that the plan asks for when
   * left out.
   */
  first?: number;
  /** And once this much is known. */
  most?: (analysis: Analysis) => number;
}

/**
 * Looks closer, round by round after a first look, until the plan has no more frames to look at
 * (`all`), or there is no more time.
 */
export async function lookInRounds(
  { wanted, analyse }: Asked,
  faceOn: boolean,
  { looks, followed, lookAt }: Looking,
  { search = true, slack = 0, first = Infinity, most = () => Infinity }: Closer = {},
): Promise<{ track: Track; analysis: Analysis; all: boolean }> {
  await lookAt(thinned(nextFrames(looks(), null, wanted, faceOn, search, slack), first));
  for (;;) {
    const track = await followed();
    const analysis = await analyse(track);
    const room = most(analysis);
    const frames = nextFrames(track, analysis, wanted, faceOn, search, slack);
    if (!frames.length || room < 1) return { track, analysis, all: !frames.length };
    await lookAt(thinned(frames, room));
  }
}

/** At most so many of some frames, evenly chosen. */
export const thinned = (frames: readonly number[], most: number): readonly number[] =>
  frames.length <= most
    ? frames
    : frames.filter(
        (_, i) =>
          Math.floor((i * most) / frames.length) !== Math.floor(((i - 1) * most) / frames.length),
      );
