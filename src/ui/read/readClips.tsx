"use client";

import { useEffect, useRef, useState } from "react";
import { Button } from "@/ui/kit/button";
import { ClipCard } from "./clipCard";
import { AfterReading } from "./afterReading";
import { JudgedAs, type DrillToRead } from "./judgedAs";
import { NothingYet } from "./nothingYet";
import { DeviceLine } from "./deviceLine";
import { headline } from "./queue";
import { useReading } from "./useReading";

/**
 * The made-up golfer's clips that ship with the program: one rep of a drill, and her normal swings.
 */
const SAMPLES = {
  rep: { drill: "double-step", files: ["double-step-lead-late.mp4"] },
  swings: { drill: "normal-swing", files: [1, 2, 3, 4, 5].map((k) => `five-swings-${k}.mp4`) },
} as const;
type SampleSet = keyof typeof SAMPLES;

interface Props {
  golferId: string;
  drills: readonly DrillToRead[];
  hand: "left" | "right";
  statureCm: number;
  keepFilm: boolean;
  drill?: string | undefined;
  stage?: string | undefined;
  /** Clips to read at once, without being asked. */
  sample?: SampleSet | undefined;
  /** Drills whose cautions this golfer has read. */
  cautionsRead: readonly string[];
}

/** Read clips: drop or choose several; each one is a column that fills as it is read. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function ReadClips({
  golferId,
  drills,
  hand,
  statureCm,
  keepFilm,
  drill: asked,
  stage: askedStage,
  sample,
  cautionsRead,
}: Props) {
  const [set, setSet] = useState(sample);
  const [drill, setDrill] = useState(
    sample ? SAMPLES[sample].drill : (drills.find((d) => d.id === asked)?.id ?? "double-step"),
  );
  const chosen = drills.find((d) => d.id === drill);
  const stages = chosen?.stages ?? [];
  const [wish, setStage] = useState(askedStage);
  const stage = (stages.find((s) => s.id === wish) ?? stages.find((s) => s.main))?.id;
  const { items, device, add, stop, stopAll, again, remove, answer } = useReading(
    keepFilm,
    { golferId, drill, version: chosen?.version },
    { drill: chosen?.readAs ?? drill, stage, hand, statureCm },
  );
  const [trouble, setTrouble] = useState(false);
  const begun = useRef(false);
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const open = items.some((i) => ["waiting", "working", "keeping"].includes(i.state.step));

  useEffect(() => {
    if (!open) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [open]);

  const fetchSet = (name: SampleSet) => {
    setTrouble(false);
    void Promise.all(SAMPLES[name].files.map(sampleFile)).then(add, () => setTrouble(true));
  };
  useEffect(() => {
    if (!sample || begun.current) return;
    begun.current = true;
    fetchSet(sample);
  });
  const nextSet = () => {
    setSet("swings");
    setDrill(SAMPLES.swings.drill);
    window.history.pushState(null, "", "/read?sample=swings");
    fetchSet("swings");
  };
  const done = items.filter((i) => i.state.step === "done").length;

  return (
    <div
      className={`min-h-[70vh] ${over ? "outline-3 -outline-offset-8 outline-edge outline-dashed" : ""}`}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        add([...e.dataTransfer.files]);
      }}
    >
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="mt-5 side-note">Are your clips read, and do any need you?</p>
          <h1 className="page-title" aria-live="polite">
            {headline(items)}
          </h1>
        </div>
        <div className="flex gap-3">
          <input
            ref={input}
            type="file"
            multiple
            accept="video/*,.mov,.mp4,.webm"
            className="sr-only"
            aria-label="Choose clips"
            tabIndex={-1}
            onChange={(e) => {
              add([...(e.target.files ?? [])]);
              e.target.value = "";
            }}
          />
          <Button look="main" onClick={() => input.current?.click()}>
            Add clips
          </Button>
          {open && <Button onClick={stopAll}>Stop all</Button>}
        </div>
      </div>
      <JudgedAs
        drills={drills}
        drill={drill}
        stages={stages}
        stage={stage}
        disabled={open}
        caution={!set && !cautionsRead.includes(drill)}
        choose={(id) => {
          setDrill(id);
          setStage(undefined);
        }}
        chooseStage={setStage}
      />
      {set && (
        <p className="mt-2 text-[17px]">
          {set === "rep"
            ? "Inka, made up, does a double step: trail foot, hands, lead foot, strike."
            : "Five swings as Inka always makes them. No pass or fail: they show what to work on."}
        </p>
      )}
      {trouble && (
        <p role="alert" className="mt-3 text-fail">
          The sample did not come.{" "}
          <button
            type="button"
            className="font-semibold text-link"
            onClick={() => fetchSet(set ?? "rep")}
          >
            Fetch it again
          </button>
        </p>
      )}
      {done > 0 && !open && (
        <AfterReading done={done} drill={drill} readSwings={set === "rep" ? nextSet : null} />
      )}
      {items.length === 0 && !set ? (
        <NothingYet
          trySample={() =>
            void sampleFile(hand === "left" ? "double-step-left.mp4" : "double-step-good.mp4").then(
              (file) => add([file]),
              () => setTrouble(true),
            )
          }
        />
      ) : (
        <ul className="mt-6 grid grid-cols-[repeat(auto-fill,minmax(180px,1fr))] gap-6">
          {items.map((item) => (
            <li key={item.id}>
              <ClipCard
                item={item}
                hand={hand}
                stop={() => stop(item)}
                again={() => again(item)}
                remove={() => remove(item)}
                answer={(said) => answer(item, said)}
              />
            </li>
          ))}
        </ul>
      )}
      <DeviceLine device={device} />
    </div>
  );
}

async function sampleFile(name: string): Promise<File> {
  const response = await fetch(`/samples/${name}`);
  if (!response.ok) throw new Error(`${name}: ${response.status}`);
  return new File([await response.blob()], name, { type: "video/mp4" });
}
