"use client";

import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import { FeetBelong } from "./aimView";
import { toPutRight } from "./aimWords";
import type { CameraChoice } from "./camera";
import { Filming } from "./filming";
import { countedReps } from "./filmingState";
import { Voice } from "./sounds";
import { VerdictScreen } from "./verdictScreen";
import { Props } from "./filmProps";
import { nextWords, Controls } from "./controls";
import { StateWords, FRAMING } from "./stateWords";
import { Done } from "./boutDone";
import { Before } from "./beforeBout";

/** A bout's own number, kept in the address so that a page that is loaded again goes on with it. */
const boutInAddress = (): string =>
  new URL(window.location.href).searchParams.get("bout") ?? newBout();

function newBout(): string {
  const here = new URL(window.location.href);
  const made = crypto.randomUUID();
  here.searchParams.set("bout", made);
  window.history.replaceState(null, "", here);
  return made;
}

/** Set the phone down, swing, be told, again: the rep loop with its screen. */
export function FilmView(props: Props) {
  const [tools, setTools] = useState<{ filming: Filming; voice: Voice } | null>(null);
  const request = useRef(props);
  useEffect(() => {
    const voice = new Voice();
    const filming = new Filming(request.current, voice, boutInAddress());
    setTools({ filming, voice });
    void filming.warm();
    return () => {
      filming.stop();
      voice.close();
    };
  }, []);
  if (!tools) return <p className="mt-10 text-ink-2">The page gets ready.</p>;
  return <Running {...props} {...tools} />;
}

// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
function Running({ filming, voice, ...props }: Props & { filming: Filming; voice: Voice }) {
  const state = useSyncExternalStore(filming.subscribe, filming.state, filming.state);
  const video = useRef<HTMLVideoElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [choice, setChoice] = useState<CameraChoice>("screen side");
  const [runs, setRuns] = useState(0);
  // The bout that goes on after a reload is counted by the page.
  const [earlier, setEarlier] = useState(() => props.day.filter((b) => b.id !== boutInAddress()));
  const nextBout = () => {
    const results = countedReps(state).map((a) => a.told.result);
    setEarlier([
      ...earlier,
      { id: boutInAddress(), drillId: props.drill.id, done: results.length, results },
    ]);
    filming.nextBout(newBout());
  };
  const counted = countedReps(state).length;
  const running = state.step === "running";

  useEffect(() => {
    const changed = () => {
      if (!running) return;
      filming.tell({ type: "obstacle", obstacle: document.hidden ? "hidden" : null });
      if (!document.hidden) void filming.stayAwake();
    };
    document.addEventListener("visibilitychange", changed);
    return () => document.removeEventListener("visibilitychange", changed);
  }, [filming, running]);

  const start = (which: CameraChoice) => {
    setChoice(which);
    void filming.start(which, { video: video.current, canvas: canvas.current });
  };
  const stop = () => {
    filming.stop();
    setRuns((n) => n + 1);
  };
  const preview = running && !state.shown && state.loop?.state !== "done";
  useEffect(() => filming.shows(preview), [filming, preview]);
  return (
    <>
      {state.step !== "running" && (
        <Before {...props} filming={filming} state={state} start={start} counted={counted} />
      )}
      <div className={running ? "fixed inset-0 z-20 bg-paper" : "sr-only"} aria-hidden={!running}>
        <div className={preview ? "absolute inset-0 grid grid-rows-[auto_1fr]" : "hidden"}>
          <StateWords {...props} state={state} />
          <div className="relative min-h-0 overflow-hidden bg-silt">
            <video
              ref={video}
              muted
              playsInline
              aria-label="What the camera sees"
              className={`h-full w-full object-contain ${choice === "screen side" ? "-scale-x-100" : ""} ${choice === "stand-in" ? "hidden" : ""}`}
            />
            <canvas
              key={runs}
              ref={canvas}
              aria-label="What the stand-in camera sees"
              className={`h-full w-full object-contain ${choice === "stand-in" ? "" : "hidden"}`}
            />
            {preview && state.size && FRAMING.has(toPutRight(state.loop)?.fault) && (
              <FeetBelong
                size={state.size}
                left={
                  props.view !== "face-on"
                    ? null
                    : (props.hand === "right") === (choice === "screen side")
                      ? "lead"
                      : "trail"
                }
              />
            )}
          </div>
        </div>
        {running && state.shown && state.loop?.state !== "done" && (
          <VerdictScreen
            rep={state.shown.rep}
            hand={props.hand}
            count={counted}
            of={props.reps}
            next={nextWords(state, props.stillStart)}
          />
        )}
        {running && state.loop?.state === "done" && (
          <Done
            {...props}
            state={state}
            filming={filming}
            counted={counted}
            earlier={earlier}
            nextBout={nextBout}
          />
        )}
        {running && state.loop?.state !== "done" && (
          <Controls
            filming={filming}
            voice={voice}
            state={state}
            stop={stop}
            again={
              choice === "stand-in"
                ? null
                : () => {
                    stop();
                    start(choice);
                  }
            }
          />
        )}
      </div>
    </>
  );
}
