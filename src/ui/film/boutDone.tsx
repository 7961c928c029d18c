"use client";

import { isRehearsal } from "@/core/judge";
import { sameCue, bodyDue, doseOfDay } from "@/core/practice";
import type { DayBout } from "@/server/practice/dayDone";
import { BodyQuestion } from "@/ui/today/bodyQuestion";
import { doseWords } from "@/ui/reps/doseWords";
import { Button } from "@/ui/kit/button";
import { To } from "@/ui/kit/to";
import { inWords } from "@/ui/kit/inWords";
import { Filming } from "./filming";
import { countedReps, type FilmingState } from "./filmingState";
import { Props } from "./filmProps";
import { FROM, OutboxNote } from "./beforeBout";
import { inShort } from "./controls";
import { TooSlow } from "./stateWords";

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
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Done({
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
          <To className="text-link" href={`/drills/${drill.id}`}>
            Its easier stages and remedies
          </To>
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
                <span className="block side-note">
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
            <To href="/profile">See what they show</To>
          </Button>
        )}
        {part?.next && (
          <Button look="main" asChild>
            <To href={`/film?drill=${drill.id}&stage=${part.next.stage}`}>
              Part {inWords(part.number + 1)}: {FROM[part.next.view]}
            </To>
          </Button>
        )}
        {carries && soFar.done && (
          <Button look="main" asChild>
            <To href={`/film?drill=${CARRY}`}>Three swings of your own</To>
          </Button>
        )}
        <Button look={leads ? "plain" : "main"} onClick={nextBout}>
          {soFar.again ? "Do this set again" : "Start the next bout"}
        </Button>
        {carries && !soFar.done && (
          <Button asChild>
            <To href={`/film?drill=${CARRY}`}>Three swings of your own</To>
          </Button>
        )}
        <Button asChild>
          <To href="/reps">See the reps</To>
        </Button>
        <Button asChild>
          <To href={`/drills/${drill.id}`}>Back to the drill</To>
        </Button>
      </div>
      {bodyDue(body.asked, body.today, [...earlier, { done: answers.length }]) === "after" && (
        <BodyQuestion when="after" sore={body.sore} say={body.say} />
      )}
      <p className="mt-6 side-note" aria-live="polite">
        {state.waiting ? "" : `All ${counted} of ${reps} are kept.`}
      </p>
      <OutboxNote state={state} />
    </div>
  );
}
