"use client";

import Link from "next/link";
import { useEffect, useRef, useState } from "react";
import { Button } from "@/ui/kit/button";
import { capital } from "@/ui/kit/capital";
import { inWords } from "@/ui/kit/inWords";
import { FEWEST_SWINGS } from "@/core/choose/profile";
import { ClipCard } from "./clipCard";
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

/** A drill that clips can be read for. */
export interface DrillToRead {
  id: string;
  name: string;
  /** The built-in drill whose movement it has: what is read of a clip goes by that. */
  readAs: string;
  version: number;
  stages: readonly { id: string; name: string; view: "face-on" | "down-the-line"; main: boolean }[];
}

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
  const { items, device, add, stop, stopAll, again, remove, answerFps } = useReading(
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
          <p className="mt-5 text-[15px] text-ink-2">Are your clips read, and do any need you?</p>
          <h1 className="mt-1 text-[34px] md:text-[46px]" aria-live="polite">
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
      <div className="mt-3 flex flex-wrap items-center gap-x-2 gap-y-1 text-[17px]">
        <label className="flex flex-wrap items-center gap-2">
          Judge them as
          <select
            value={drill}
            onChange={(e) => {
              setDrill(e.target.value);
              setStage(undefined);
            }}
            disabled={open}
            className={SELECT}
          >
            {drills.map((d) => (
              <option key={d.id} value={d.id}>
                {d.name}
              </option>
            ))}
            <option value="none">nothing: only measure</option>
          </select>
        </label>
        {stages.length > 1 && (
          <label className="flex flex-wrap items-center gap-2">
            stage
            <select
              value={stage}
              onChange={(e) => setStage(e.target.value)}
              disabled={open}
              className={SELECT}
            >
              {stages.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                  {s.name.startsWith("Seen")
                    ? ""
                    : s.view === "face-on"
                      ? ", from in front"
                      : ", from behind"}
                </option>
              ))}
            </select>
          </label>
        )}
        {drill !== "none" && !set && !cautionsRead.includes(drill) && (
          <Link href={`/drills/${drill}/ready`} className="underline underline-offset-4">
            First time with it? What to take care of
          </Link>
        )}
      </div>
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
            className="font-semibold underline underline-offset-4"
            onClick={() => fetchSet(set ?? "rep")}
          >
            Fetch it again
          </button>
        </p>
      )}
      {done > 0 && !open && (
        <div className="mt-5 flex flex-wrap items-center gap-x-6 gap-y-3 border-y-[3px] border-ink py-4">
          {set === "rep" && (
            <Next words="That was one rep. Five normal swings tell which drill is worth doing.">
              <Button look="main" onClick={nextSet}>
                Read her five swings
              </Button>
            </Next>
          )}
          {drill === "normal-swing" &&
            (done >= FEWEST_SWINGS ? (
              <Next words={`${capital(inWords(done))} swings are read.`}>
                <Button look="main" asChild>
                  <Link href="/profile">See what they show</Link>
                </Button>
              </Next>
            ) : (
              <p className="text-[17px]">
                One swing is read. Two are needed to tell a habit from an accident, five are better.
              </p>
            ))}
          <Link href="/reps" className="underline underline-offset-4">
            All reps
          </Link>
        </div>
      )}
      {items.length === 0 && !set ? (
        <div className="mt-6 grid max-w-[760px] gap-x-12 gap-y-6 border-t border-hair pt-6 md:grid-cols-2">
          <div>
            <h2 className="mb-2 text-[23px]">How to film</h2>
            <ul className="grid gap-1.5">
              <li>Stand the phone 4 m in front of you, at hip height, on its end or level.</li>
              <li>
                Head, feet and hands stay in the picture, with a hand&rsquo;s breadth to spare.
              </li>
              <li>Stand still for a second, swing, hold the finish.</li>
              <li>60 pictures a second, in &lsquo;most compatible&rsquo; (H.264).</li>
            </ul>
          </div>
          <div>
            <h2 className="mb-2 text-[23px]">No clip yet?</h2>
            <p className="mb-3">
              Read one of the sample golfer&rsquo;s. It is read here, by the same network, as yours
              will be.
            </p>
            <Button
              onClick={() =>
                void sampleFile(
                  hand === "left" ? "double-step-left.mp4" : "double-step-good.mp4",
                ).then(
                  (file) => add([file]),
                  () => setTrouble(true),
                )
              }
            >
              Try a sample clip
            </Button>
            <p className="mt-3 text-[15px] text-ink-2">
              Or drop files anywhere on this page. They are read in this browser and never leave
              this computer.
            </p>
          </div>
        </div>
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
                answerFps={(fps) => answerFps(item, fps)}
              />
            </li>
          ))}
        </ul>
      )}
      <DeviceLine device={device} />
    </div>
  );
}

const SELECT =
  "min-h-11 max-w-full rounded-control border-[1.5px] border-edge bg-paper px-3 font-semibold";

function Next({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-3" aria-live="polite">
      <p className="text-[17px]">{words}</p>
      {children}
    </div>
  );
}

async function sampleFile(name: string): Promise<File> {
  const response = await fetch(`/samples/${name}`);
  if (!response.ok) throw new Error(`${name}: ${response.status}`);
  return new File([await response.blob()], name, { type: "video/mp4" });
}
