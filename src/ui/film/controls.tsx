import { type VerdictSummary, isRehearsal } from "@/core/judge";
import { DropdownMenu } from "radix-ui";
import { useState, useEffect } from "react";
import { Button } from "../kit/button";
import { toPutRight } from "./aimWords";
import { Filming } from "./filming";
import { type FilmingState } from "./filmingState";
import { Voice } from "./sounds";
import { stateWords, verdictWords } from "./words";

export const nextWords = (state: FilmingState, stillStart: boolean): string =>
  state.loop ? stateWords(state.loop, stillStart).word : "";

/** All that is done by hand, behind one button: the screen is for eyes that are far away. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Controls({
  filming,
  voice,
  state,
  stop,
  again,
}: {
  filming: Filming;
  voice: Voice;
  state: FilmingState;
  stop: () => void;
  again: (() => void) | null;
}) {
  const [muted, setMuted] = useState(false);
  useEffect(() => voice.mute(muted), [voice, muted]);
  const paused = state.loop?.state === "paused";
  const { shown } = state;
  const items: [words: string, does: () => void][] = [
    ...(shown
      ? [
          ["That one doesn’t count", () => void filming.withdraw(shown.id)] satisfies [
            string,
            () => void,
          ],
        ]
      : []),
    ...(toPutRight(state.loop)
      ? [
          ["Film it as it stands", () => filming.tell({ type: "anyway" })] satisfies [
            string,
            () => void,
          ],
        ]
      : []),
    [paused ? "Go on" : "Pause", () => filming.tell({ type: paused ? "resume" : "pause" })],
    ...(state.feedback === "each"
      ? []
      : [["Answer after each rep", () => filming.answers("each")] satisfies [string, () => void]]),
    [muted ? "Sound on" : "Sound off", () => setMuted(!muted)],
    ["End the bout", () => filming.tell({ type: "end" })],
    ["Stop the camera", stop],
  ];
  return (
    <>
      {state.trouble && (
        <div
          role="alert"
          className="absolute inset-x-[8vw] bottom-20 z-10 bg-ink p-3 text-[15px] text-paper"
        >
          <strong className="block">{state.trouble.message}</strong>
          {state.trouble.action}
          {again && state.loop?.obstacle === "camera lost" && (
            <Button className="mt-3 block min-h-14 px-6 text-[20px] text-ink" onClick={again}>
              Start the camera again
            </Button>
          )}
        </div>
      )}
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger asChild>
          <Button aria-label="Controls" className="absolute right-[9vw] bottom-3 z-10 bg-paper">
            <Dots />
          </Button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            side="top"
            align="end"
            sideOffset={8}
            className="z-30 grid min-w-56 border-[1.5px] border-edge bg-paper"
          >
            {items.map(([words, does]) => (
              <DropdownMenu.Item
                key={words}
                onSelect={does}
                className="flex min-h-12 cursor-pointer items-center px-4 text-[17px] font-semibold outline-none data-highlighted:bg-silt"
              >
                {words}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}
const Dots = () => (
  <svg viewBox="0 0 20 20" width={20} height={20} aria-hidden>
    {[4, 10, 16].map((x) => (
      <circle key={x} cx={x} cy={10} r={2} fill="var(--ink)" />
    ))}
  </svg>
);

export const inShort = (told: VerdictSummary): string =>
  told.result === "pass"
    ? "Pass"
    : told.result === "fail"
      ? `Fail: ${told.cue?.words.toLowerCase() ?? ""}`
      : isRehearsal(told)
        ? "Counted"
        : `Not judged: ${verdictWords(told).more.toLowerCase()}`;
