import type { AimFault } from "@/core/film";
import { LOOKS_FOR_STEPS } from "@/core/judge";
import { LOOKS_TO_FIND_REPS } from "@/core/live";
import type { Scene } from "@/core/scene";
import type { LoopShown } from "@/vision/worker/liveProtocol";
import { AimSteps } from "./aimView";
import { toPutRight, aimWords, CHANGED } from "./aimWords";
import { type FilmingState, countedReps } from "./filmingState";
import { Props } from "./filmProps";
import { stateWords } from "./words";

/** Faults that a mark in the picture helps with. */
export const FRAMING: ReadonlySet<AimFault | undefined> = new Set([
  "feet cut off",
  "head cut off",
  "too far",
  "too near",
  "beside left",
  "beside right",
]);

/** What the loop waits for, large; before the first rep with the steps of the aim check. */
export function StateWords({
  state,
  stillStart,
  view,
  hand,
  reps,
}: Props & { state: FilmingState }) {
  const { loop, change } = state;
  const wrong = toPutRight(loop);
  const said = wrong
    ? aimWords(wrong, view, hand)
    : loop
      ? stateWords(loop, stillStart)
      : { word: "One moment", more: "" };
  const told = loop?.aim?.told;
  return (
    <div className="px-5 pt-5 pb-3" aria-live="polite">
      {loop?.aim && (!loop.aimed || wrong) && (
        <div className="mb-4">
          <AimSteps aim={loop.aim} />
        </div>
      )}
      <p className="display text-[64px] leading-[0.95] md:text-[92px]">{said.word}</p>
      <p className="mt-2 min-h-7 text-[20px]">
        {said.more}
        {change && change !== "same" && loop?.state === "armed" ? ` ${CHANGED[change]}` : ""}
      </p>
      {state.feedback !== "each" && (
        <p className="text-[20px]">
          <strong>{countedReps(state).length}</strong> / {reps}
        </p>
      )}
      {told && !wrong && (
        <p className="side-note">
          {scaleWords(told.scale)}
          {change === "same" ? ` ${CHANGED.same}` : ""}
        </p>
      )}
      {state.dims && loop && RESTING.has(loop.state) && (
        <p className="mt-1 side-note">
          This browser can&rsquo;t keep the screen on: set the phone&rsquo;s own screen to stay on
          for longer than a bout.
        </p>
      )}
      {state.deaf && loop && RESTING.has(loop.state) && (
        <p className="mt-1 side-note">
          The microphone may not be used: the strike is seen, not heard. Reps count all the same.
        </p>
      )}
      <TooSlow state={state} />
    </div>
  );
}

/** Said while nobody swings. */
const RESTING: ReadonlySet<LoopShown["state"]> = new Set(["looking", "settling", "paused"]);

/** A device that looks too seldom misses reps: that is said, with what to do. */
export function TooSlow({ state: { looksPerS } }: { state: FilmingState }) {
  if (looksPerS === null) return null;
  const rate = `It looks ${looksPerS.toFixed(1)} times a second`;
  if (looksPerS >= LOOKS_TO_FIND_REPS)
    return (
      <p className="mt-2 border-l-4 border-unsure pl-3 text-[15px]">
        <strong className="block">Steps stay open until the bout is over.</strong>
        {rate}; it takes {Math.ceil(LOOKS_FOR_STEPS)} to see a step for sure. Your films are read
        closely after the bout, and tell then.
      </p>
    );
  return (
    <p className="mt-2 border-l-4 border-unsure pl-3 text-[15px]">
      <strong className="block">This device is slow: some reps may be missed.</strong>
      {rate}; it takes {LOOKS_TO_FIND_REPS} to find every rep. Close what else runs, or film the
      bout and read the clip.
    </p>
  );
}

/** How large a pixel is at the golfer, by their stature: what every length is reckoned by. */
const scaleWords = ({ cmPerPx, u }: Scene["scale"]): string =>
  `By your height one pixel is ${cmPerPx.toFixed(2)} ± ${(2 * u).toFixed(2)} cm.`;
