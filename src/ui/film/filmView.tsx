"use client";

import Link from "next/link";
import { DropdownMenu } from "radix-ui";
import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import type { ViewPart } from "@/core/drills/twoViews";
import type { AimFault } from "@/core/film/aimSteps";
import { isRehearsal, type VerdictSummary } from "@/core/judge/verdict";
import type { Scene } from "@/core/scene/scene";
import type { LoopShown } from "@/vision/worker/liveProtocol";
import { FEEDBACK, sameCue, type Feedback } from "@/core/practice/feedback";
import { bodyDue, type BodyAsked } from "@/core/practice/body";
import { doseOfDay } from "@/core/practice/dose";
import type { Dose } from "@/core/drills/drill";
import type { DayBout } from "@/server/practice/dayDone";
import { BodyQuestion } from "@/ui/today/bodyQuestion";
import { doseWords } from "@/ui/reps/doseWords";
import { Choice } from "@/ui/golfer/choice";
import { Button } from "@/ui/kit/button";
import { inWords } from "@/ui/kit/inWords";
import { AimSteps, FeetBelong } from "./aimView";
import { aimWords, CHANGED, toPutRight } from "./aimWords";
import type { CameraChoice } from "./camera";
import { countedReps, Filming, type FilmingState, type FilmRequest } from "./filming";
import { SetUp, type SetUpProps } from "./setUp";
import { Voice } from "./sounds";
import { VerdictScreen } from "./verdictScreen";
import { stateWords, verdictWords } from "./words";

interface Props extends FilmRequest {
  drillName: string;
  stageName: string;
  stillStart: boolean;
  /** Which of the parts of a drill with two views this is. */
  part: ViewPart | null;
  /** The swings that a profile is made from. */
  baseline: boolean;
  /** How much of the drill belongs to a day, and what was done today of it and of others. */
  dose: Dose;
  day: readonly DayBout[];
  body: {
    asked: BodyAsked;
    today: string;
    sore: string | null;
    say(when: "before" | "after", part: string | null): Promise<void>;
  };
  /** A film can stand in for a camera. */
  standIn: boolean;
  setUp: SetUpProps;
}

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

const ANSWERS: Record<Feedback, string> = {
  each: "Each rep",
  third: "Every third",
  end: "At the end",
};

/** Before the camera runs: which drill, which camera, and what is wrong if anything is. */
function Before({
  drill,
  drillName,
  stageName,
  view,
  part,
  reps,
  standIn,
  setUp,
  feedback,
  hearing,
  day,
  body,
  filming,
  state,
  start,
  counted,
}: Props & {
  filming: Filming;
  state: FilmingState;
  start: (which: CameraChoice) => void;
  counted: number;
}) {
  const loading = state.step === "loading";
  return (
    <div className="grid gap-x-16 lg:grid-cols-[1fr_560px]">
      <div className="max-w-[640px]">
        <p className="mt-6 text-[15px] text-ink-2">
          {drillName}, {stageName.toLowerCase()}
          {part && ` · part ${inWords(part.number)} of ${inWords(part.of)}`}
        </p>
        <h1 className="mt-1 text-[46px] leading-none">
          {counted ? `Go on: ${counted} of ${reps} are counted` : `Film ${inWords(reps)} reps`}
        </h1>
        {!day.length && (
          <p className="mt-3 text-[17px]">
            Your first bout today: warm up for a few minutes before it.
          </p>
        )}
        {bodyDue(body.asked, body.today, day) === "before" && (
          <BodyQuestion when="before" sore={body.sore} say={body.say} />
        )}
        {part?.next && (
          <p className="mt-3 text-[17px]">
            This drill is looked at twice: {FROM[view]} now, {FROM[part.next.view]} in the next
            part. You move the phone in between.
          </p>
        )}
        <ol className="mt-6 grid list-decimal gap-2 pl-6 text-[17px]">
          <li>
            Stand the phone{" "}
            {view === "face-on" ? "in front of you" : "behind you, on the line through your toes"},
            the screen toward you, as drawn here.
          </li>
          <li>Turn the sound up: every state has its own sound, and a fail speaks its cue.</li>
          <li>
            Walk into the picture. You need not touch the phone again: both arms up for a second
            pauses.
          </li>
        </ol>
        <div className="mt-6 max-w-[520px]">
          <Choice
            legend="When do you want the answer?"
            value={state.feedback}
            onChange={(v) => filming.answers(v)}
            options={FEEDBACK.map((f) => [f, ANSWERS[f]] as const)}
          />
          {feedback !== "each" && (
            <p className="mt-2 text-[15px] text-ink-2">
              You pass most of these:{" "}
              {feedback === "third" ? "an answer after every third rep" : "the answers at the end"}{" "}
              make you feel it yourself. Three fails running are said at once.
            </p>
          )}
        </div>
        {hearing && (
          <div className="mt-4 max-w-[520px]">
            <Choice
              legend={
                hearing === "asked"
                  ? "May it listen for the prop?"
                  : "May it listen for the strike?"
              }
              value={state.hears ? "yes" : "no"}
              onChange={(v) => filming.listens(v === "yes")}
              options={LISTENS}
            />
            {state.hears && (
              <p className="mt-2 text-[15px] text-ink-2">
                {hearing === "asked"
                  ? "This drill asks when the prop falls: that is heard."
                  : "A strike that is heard is placed better than one that is only seen."}{" "}
                No sound is kept. Some phones play their own sounds more quietly meanwhile.
              </p>
            )}
          </div>
        )}
        {state.trouble && (
          <p role="alert" className="mt-6 border-l-4 border-fail pl-4 text-[17px]">
            <strong className="block">{state.trouble.message}</strong>
            {state.trouble.action}
          </p>
        )}
        <div className="mt-6 flex flex-wrap gap-3">
          <Button
            look="main"
            disabled={loading}
            className="min-h-14 px-6 text-[20px]"
            onClick={() => start("screen side")}
          >
            Start the camera
          </Button>
          <Button disabled={loading} className="min-h-14" onClick={() => start("back")}>
            Use the back lens: sound alone answers
          </Button>
          {standIn && (
            <Button disabled={loading} className="min-h-14" onClick={() => start("stand-in")}>
              Try without a camera
            </Button>
          )}
        </div>
        <p aria-live="polite" className="mt-4 min-h-6 text-ink-2">
          {loading ? `${state.loading}${cameWords(state)}.` : ""}
        </p>
        <p className="mb-2 text-[15px]">
          <Link className="underline underline-offset-4" href={`/read?drill=${drill.id}`}>
            Or read clips that you have filmed
          </Link>
        </p>
        <Outgoing state={state} />
      </div>
      <SetUp {...setUp} />
    </div>
  );
}

const FROM = { "face-on": "from the front", "down-the-line": "from behind" } as const;
const LISTENS = [
  ["no", "No"],
  ["yes", "Yes"],
] as const;

/** How much of the network has come, the first time that this device uses it. */
function cameWords({ came }: FilmingState): string {
  if (!came || came.bytes === came.of) return "";
  const mb = (bytes: number) => (bytes / 1e6).toFixed(1);
  return `: ${mb(came.bytes)} ${came.of === null ? "" : `of ${mb(came.of)} `}MB, once`;
}

function Outgoing({ state }: { state: FilmingState }) {
  if (!state.waiting) return null;
  return (
    <p className="text-[15px] text-ink-2">
      {state.waiting === 1 ? "One rep waits" : `${state.waiting} reps wait`} here to be sent.
      {state.sending ? ` ${state.sending}` : ""}
    </p>
  );
}

/** Faults that a mark in the picture helps with. */
const FRAMING: ReadonlySet<AimFault | undefined> = new Set([
  "feet cut off",
  "head cut off",
  "too far",
  "too near",
  "beside left",
  "beside right",
]);

/** What the loop waits for, large; before the first rep with the steps of the aim check. */
function StateWords({ state, stillStart, view, hand, reps }: Props & { state: FilmingState }) {
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
        <p className="text-[15px] text-ink-2">
          {scaleWords(told.scale)}
          {change === "same" ? ` ${CHANGED.same}` : ""}
        </p>
      )}
      {state.dims && loop && RESTING.has(loop.state) && (
        <p className="mt-1 text-[15px] text-ink-2">
          This browser can&rsquo;t keep the screen on: set the phone&rsquo;s own screen to stay on
          for longer than a bout.
        </p>
      )}
      {state.deaf && loop && RESTING.has(loop.state) && (
        <p className="mt-1 text-[15px] text-ink-2">
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
function TooSlow({ state: { looksPerS } }: { state: FilmingState }) {
  if (looksPerS === null) return null;
  return (
    <p className="mt-2 border-l-4 border-unsure pl-3 text-[15px]">
      <strong className="block">This device is slow: some reps may be missed.</strong>It looks{" "}
      {looksPerS.toFixed(1)} times a second; it takes 8 to find every rep. Close what else runs, or
      film the bout and read the clip.
    </p>
  );
}

/** How large a pixel is at the golfer, by their stature: what every length is reckoned by. */
const scaleWords = ({ cmPerPx, u }: Scene["scale"]): string =>
  `By your height one pixel is ${cmPerPx.toFixed(2)} ± ${(2 * u).toFixed(2)} cm.`;

const nextWords = (state: FilmingState, stillStart: boolean): string =>
  state.loop ? stateWords(state.loop, stillStart).word : "";

/** All that is done by hand, behind one button: the screen is for eyes that are far away. */
function Controls({
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

const inShort = (told: VerdictSummary): string =>
  told.result === "pass"
    ? "Pass"
    : told.result === "fail"
      ? `Fail: ${told.cue?.words.toLowerCase() ?? ""}`
      : isRehearsal(told)
        ? "Counted"
        : `Not judged: ${verdictWords(told).more.toLowerCase()}`;

/** While nobody swings each film is read once more: which, how far, and how to stop it. */
function Again({ state: { again }, filming }: { state: FilmingState; filming: Filming }) {
  if (!again) return null;
  return (
    <div className="mt-6 flex max-w-[480px] flex-wrap items-center gap-3 text-[15px]">
      <label className="grow">
        {again.left === 1 ? "One film is" : `${again.left} films are`} looked at more closely.
        <progress className="mt-1 block h-2 w-full accent-ink" value={again.share} max={1} />
      </label>
      <Button look="quiet" onClick={() => filming.stopLookingAgain()}>
        Stop
      </Button>
    </div>
  );
}

/** The drill that asks whether another one carries over. */
const CARRY = "transfer-check";

/** After the bout: what passed, and the one thing to change. */
function Done({
  drill,
  part,
  baseline,
  reps,
  dose,
  body,
  state,
  filming,
  counted,
  earlier,
  nextBout,
}: Props & {
  state: FilmingState;
  filming: Filming;
  counted: number;
  earlier: readonly DayBout[];
  nextBout: () => void;
}) {
  const answers = countedReps(state);
  const soFar = doseOfDay(dose, [
    ...earlier.filter((b) => b.drillId === drill.id).map((b) => b.results),
    answers.map((a) => a.told.result),
  ]);
  // What the drill teaches is to carry over to the golfer's own swing: asked after its sets, on the
  // range.
  const carries = dose.school === "short sets" && !baseline && drill.id !== CARRY;
  const leads = baseline || part?.next || soFar.done;
  const passed = answers.filter((a) => a.told.result === "pass").length;
  const rehearsed = answers.some((a) => isRehearsal(a.told));
  const open = rehearsed ? 0 : answers.filter((a) => a.told.result === "not judged").length;
  const cues = answers.flatMap((a) => a.told.cue?.words ?? []);
  const again = sameCue(answers.map((a) => a.told));
  const most = [...new Set(cues)].sort(
    (a, b) => cues.filter((c) => c === b).length - cues.filter((c) => c === a).length,
  )[0];
  return (
    <div className="h-full overflow-auto px-5 py-8 md:px-10">
      <h1 className="text-[46px] leading-none">
        {!answers.length
          ? "No rep in this bout"
          : rehearsed
            ? `${answers.length} counted`
            : `${passed} of ${answers.length} passed`}
      </h1>
      <p className="mt-3 text-[20px]">
        {most ? (
          <>
            The one thing to change: <strong>{most.toLowerCase()}</strong>.
          </>
        ) : passed ? (
          "Nothing to change."
        ) : (
          ""
        )}
        {open > 0 && ` ${open === 1 ? "One was" : `${open} were`} not judged.`}
      </p>
      {answers.length > 0 && !baseline && (
        <p className="mt-2 text-[20px]">{doseWords(soFar, dose)}</p>
      )}
      {again && (
        <p className="mt-2 text-[17px]">
          That was the cue three times running: try it another way.{" "}
          <Link className="underline underline-offset-4" href={`/drills/${drill.id}`}>
            Its easier stages and remedies
          </Link>
        </p>
      )}
      <TooSlow state={state} />
      <ol className="mt-6 grid max-w-[480px] gap-2">
        {answers.map((a, k) => (
          <li
            key={a.id}
            className="flex min-h-11 items-center justify-between gap-4 border-b border-hair"
          >
            <span>
              {k + 1}. {inShort(a.told)}
              {state.atFirst.has(a.id) && (
                <span className="block text-[15px] text-ink-2">
                  At first: {inShort(state.atFirst.get(a.id)!).toLowerCase()}. A closer look says
                  otherwise.
                </span>
              )}
            </span>
            <Button look="quiet" onClick={() => void filming.withdraw(a.id)}>
              Doesn&rsquo;t count
            </Button>
          </li>
        ))}
      </ol>
      <Again state={state} filming={filming} />
      <div className="mt-8 flex flex-wrap gap-3">
        {baseline && (
          <Button look="main" asChild>
            <Link href="/profile">See what they show</Link>
          </Button>
        )}
        {part?.next && (
          <Button look="main" asChild>
            <Link href={`/film?drill=${drill.id}&stage=${part.next.stage}`}>
              Part {inWords(part.number + 1)}: {FROM[part.next.view]}
            </Link>
          </Button>
        )}
        {carries && soFar.done && (
          <Button look="main" asChild>
            <Link href={`/film?drill=${CARRY}`}>Three swings of your own</Link>
          </Button>
        )}
        <Button look={leads ? "plain" : "main"} onClick={nextBout}>
          {soFar.again ? "Do this set again" : "Start the next bout"}
        </Button>
        {carries && !soFar.done && (
          <Button asChild>
            <Link href={`/film?drill=${CARRY}`}>Three swings of your own</Link>
          </Button>
        )}
        <Button asChild>
          <Link href="/reps">See the reps</Link>
        </Button>
        <Button asChild>
          <Link href={`/drills/${drill.id}`}>Back to the drill</Link>
        </Button>
      </div>
      {bodyDue(body.asked, body.today, [...earlier, { done: answers.length }]) === "after" && (
        <BodyQuestion when="after" sore={body.sore} say={body.say} />
      )}
      <p className="mt-6 text-[15px] text-ink-2" aria-live="polite">
        {state.waiting ? "" : `All ${counted} of ${reps} are kept.`}
      </p>
      <Outgoing state={state} />
    </div>
  );
}
