"use client";

import Link from "next/link";
import { useEffect, useRef, useState } from "react";
import { Button } from "@/ui/kit/button";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { CARD } from "@/ui/charts/strip/geometry";
import { RepStrip } from "@/ui/charts/strip/repStrip";
import type { ReadSoFar } from "@/vision/read";
import { ClipQuestionCard } from "./clipQuestion";
import { inTime, secondsLeft, type ClipAnswer, type ClipItem, type ClipState } from "./queue";

interface Props {
  item: ClipItem;
  hand: "left" | "right";
  stop(): void;
  again(): void;
  remove(): void;
  answer(said: ClipAnswer): void;
}

/** One clip: its first picture, its strip as it comes, and what to do. */
export function ClipCard({ item, hand, stop, again, remove, answer }: Props) {
  const { state, file } = item;
  return (
    <article aria-label={file.name}>
      <div className="flex items-baseline justify-between gap-2">
        <h2 className="truncate font-sans text-[15px] font-bold tracking-normal" title={file.name}>
          {file.name.replace(/\.[a-z0-9]+$/i, "")}
        </h2>
        <span className="shrink-0 side-note">{(file.size / 1e6).toFixed(1)} MB</span>
      </div>
      <FirstPicture file={file} />
      <div className="relative mt-3 h-[300px] border border-hair">
        <Middle state={state} hand={hand} answer={answer} />
      </div>
      <div className="mt-2 min-h-24">
        <Foot state={state} stop={stop} again={again} remove={remove} />
      </div>
    </article>
  );
}

function Middle({
  state,
  hand,
  answer,
}: {
  state: ClipState;
  hand: "left" | "right";
  answer: Props["answer"];
}) {
  switch (state.step) {
    case "working": {
      const share = state.progress.far?.share ?? 0;
      return (
        <>
          <div
            className="absolute inset-x-0 top-0 bg-water"
            style={{ height: `${share * 100}%` }}
          />
          <div className="absolute inset-x-0 h-[2px] bg-ink" style={{ top: `${share * 100}%` }} />
        </>
      );
    }
    case "done": {
      const events = Object.fromEntries(Object.entries(state.events).map(([k, v]) => [k, v.t]));
      return (
        <RepStrip
          size={{ ...CARD, width: 178 }}
          label="Strip of the rep"
          data={{ series: state.series, events, hand, checks: [], at: {} }}
        />
      );
    }
    case "asks":
      return <ClipQuestionCard {...{ state, hand, answer }} />;
    case "failed":
      return <Words title={state.message} text={state.action} />;
    case "nothing":
      return (
        <Words
          title={state.problems.at(-1)?.message ?? "No swing is seen."}
          text={state.problems.at(-1)?.action ?? ""}
        />
      );
    default:
      return null;
  }
}

function Words({ title, text }: { title: string; text: string }) {
  return (
    <div className="grid content-start gap-3 p-4">
      <p className="display text-[23px]">{title}</p>
      <p className="text-[15px]">{text}</p>
    </div>
  );
}

function Foot({
  state,
  stop,
  again,
  remove,
}: {
  state: ClipState;
  stop(): void;
  again(): void;
  remove(): void;
}) {
  switch (state.step) {
    case "waiting":
      return <Line title="Waiting" action={["Leave it out", remove]} />;
    case "working":
      return <Working state={state} stop={stop} />;
    case "keeping":
      return <Line title="Judging and keeping" />;
    case "asks":
      return <Line title="Waiting for you" text="Not judged until you answer." />;
    case "done": {
      const v = state.verdict;
      return (
        <>
          <p className="flex items-center gap-2 font-bold">
            <VerdictGlyph name={glyphOf(v?.result ?? null)} />
            {v ? WORDS[v.result] : "Measured"}
          </p>
          <p className="side-note">
            {v?.cue?.words ??
              v?.reason?.message ??
              (v ? "Every check passed." : "No drill was judged.")}
          </p>
          <Button asChild look="quiet" className="px-0!">
            <Link href={`/reps/${state.repId}`}>Open</Link>
          </Button>
        </>
      );
    }
    case "failed":
      return (
        <>
          <Line title="Not read" />
          {state.again ? (
            <Button onClick={again}>Try again</Button>
          ) : (
            <Button look="quiet" className="px-0!" onClick={remove}>
              Leave it out
            </Button>
          )}
        </>
      );
    case "nothing":
      return <Line title="Nothing to judge" action={["Leave it out", remove]} />;
    case "stopped":
      return (
        <>
          <Line title="Stopped" text="Nothing was kept of it." />
          <Button onClick={again}>Read it after all</Button>
        </>
      );
  }
}

const SAID: Record<ReadSoFar["phase"], (far: ReadSoFar) => string> = {
  finding: () => "",
  reading: ({ done, total }) => `${done} of ${total} pictures.`,
  closer: () => "Looking closer where it counts.",
};

function Working({
  state,
  stop,
}: {
  state: Extract<ClipState, { step: "working" }>;
  stop(): void;
}) {
  const [now, setNow] = useState(state.startedAt);
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), 500);
    return () => clearInterval(timer);
  }, []);
  const { step, far } = state.progress;
  const left = secondsLeft(state.progress, state.startedAt, now);
  const percent = Math.floor(100 * (far?.share ?? 0));
  const title =
    step === "loading"
      ? "Getting the network ready"
      : step === "looking" || far?.phase === "finding"
        ? "Looking for you"
        : `Reading, ${percent} %`;
  return (
    <>
      <p
        className="font-bold"
        role="progressbar"
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-label={title}
      >
        {title}
      </p>
      <p className="side-note">
        {far ? SAID[far.phase](far) : ""} {left !== null && `About ${inTime(left)} to go.`}
      </p>
      <Button look="quiet" className="px-0!" onClick={stop}>
        Stop this one
      </Button>
    </>
  );
}

function Line({
  title,
  text,
  action,
}: {
  title: string;
  text?: string;
  action?: [string, () => void];
}) {
  return (
    <>
      <p className="font-bold">{title}</p>
      {text && <p className="side-note">{text}</p>}
      {action && (
        <Button look="quiet" className="px-0!" onClick={action[1]}>
          {action[0]}
        </Button>
      )}
    </>
  );
}

function FirstPicture({ file }: { file: File }) {
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    const url = URL.createObjectURL(file);
    if (video.current) video.current.src = `${url}#t=0.4`;
    return () => URL.revokeObjectURL(url);
  }, [file]);
  return (
    <video
      ref={video}
      muted
      playsInline
      preload="metadata"
      aria-hidden
      className="mt-2 aspect-video w-full bg-silt object-cover"
    />
  );
}
