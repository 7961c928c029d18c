"use client";

import { FEEDBACK, type Feedback, bodyDue } from "@/core/practice";
import { BodyQuestion } from "@/ui/today/bodyQuestion";
import { Choice } from "@/ui/golfer/choice";
import { Button } from "@/ui/kit/button";
import { To } from "@/ui/kit/to";
import { inWords } from "@/ui/kit/inWords";
import type { CameraChoice } from "./camera";
import { Filming } from "./filming";
import { type FilmingState } from "./filmingState";
import { SetUp } from "./setUp";
import { Props } from "./filmProps";

const ANSWERS: Record<Feedback, string> = {
  each: "Each rep",
  third: "Every third",
  end: "At the end",
};

/** Before the camera runs: which drill, which camera, and what is wrong if anything is. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Before({
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
        <p className="mt-6 side-note">
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
            <p className="mt-2 side-note">
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
              <p className="mt-2 side-note">
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
          <To className="text-link" href={`/read?drill=${drill.id}`}>
            Or read clips that you have filmed
          </To>
        </p>
        <OutboxNote state={state} />
      </div>
      <SetUp {...setUp} />
    </div>
  );
}

export const FROM = { "face-on": "from the front", "down-the-line": "from behind" } as const;
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

export function OutboxNote({ state }: { state: FilmingState }) {
  if (!state.waiting) return null;
  return (
    <p className="side-note">
      {state.waiting === 1 ? "One rep waits" : `${state.waiting} reps wait`} here to be sent.
      {state.sending ? ` ${state.sending}` : ""}
    </p>
  );
}
