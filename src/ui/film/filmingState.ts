import type { AnalysedRep } from "@/core/analysis";
import type { Drill } from "@/core/drills";
import type { Reach, SetUpChange } from "@/core/film";
import type { VerdictSummary } from "@/core/judge";
import type { Feedback } from "@/core/practice";
import type { View } from "@/core/scene";
import type { LoopShown } from "@/vision/worker/liveProtocol";
import type { Came } from "@/vision/worker/networkFiles";
import type { LookingAgain } from "./secondLooks";

/** What a page films for. */
export interface FilmRequest {
  golferId: string;
  drill: { id: string; version: number; own: Drill | null };
  stage: string;
  statureCm: number;
  hand: "left" | "right";
  reps: number;
  keepFilm: boolean;
  /**
   * What the microphone is for: the drill asks for a sound, a strike can be told better, or
   * nothing.
   */
  hearing: "asked" | "helps" | null;
  /** When answers are said, as far as the golfer does not choose otherwise. */
  feedback: Feedback;
  view: View;
  /** How far the movement's body goes; null where that is not known. */
  reach: Reach | null;
  /** Films that stand in for a camera. */
  films: readonly string[];
}

/** A rep that counts, and what was told of it. */
export interface CountedRep {
  id: string;
  told: VerdictSummary;
}

export interface FilmingState {
  step: "ready" | "loading" | "running";
  /** What is being loaded, in words. */
  loading: string;
  /** What of the network's files has come, while they are fetched for the first time. */
  came: Came | null;
  trouble: { message: string; action: string } | null;
  loop: LoopShown | null;
  /** Of the camera's picture, px. */
  size: { width: number; height: number } | null;
  /** When answers are said. */
  feedback: Feedback;
  /** The microphone listens too; it could not, though it was to. */
  hears: boolean;
  deaf: boolean;
  /** How the set-up differs from the last good one; null where there was none. */
  change: SetUpChange | null;
  /** The answer that is shown. */
  shown: { id: string; rep: AnalysedRep } | null;
  /** Reps of this bout that were counted before the camera was started, by an earlier page too. */
  before: CountedRep[];
  /** The browser can't keep the screen on. */
  dims: boolean;
  /** How often a second it looks, when that is too seldom to find every rep. */
  looksPerS: number | null;
  /**
   * Films that are read once more after the bout; and what was told at first of the reps of which
   * that tells otherwise.
   */
  again: LookingAgain | null;
  atFirst: ReadonlyMap<string, VerdictSummary>;
  /** Reps that have not reached the computer; and why not. */
  waiting: number;
  sending: string | null;
}

/** All reps of the bout that count, in order. */
export const countedReps = ({
  before,
  loop,
}: Pick<FilmingState, "before" | "loop">): CountedRep[] => [
  ...before,
  ...(loop?.answers ?? []).map(({ id, verdict }) => ({ id, told: verdict })),
];

/** Before a camera was ever started. */
export const AT_FIRST: FilmingState = {
  step: "ready",
  loading: "",
  came: null,
  trouble: null,
  loop: null,
  size: null,
  feedback: "each",
  hears: false,
  deaf: false,
  change: null,
  shown: null,
  before: [],
  dims: false,
  looksPerS: null,
  again: null,
  atFirst: new Map(),
  waiting: 0,
  sending: null,
};
