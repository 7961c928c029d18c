"use client";

import { formatISO } from "date-fns";
import { DRILLS } from "@/core/drills";
import { counting, knownOf } from "@/ui/film/outbox";
import { STAND_INS } from "@/ui/film/filmPropsFor";
import { Button } from "@/ui/kit/button";
import { longTime, weekDayOf } from "@/ui/kit/dates";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { inWords } from "@/ui/kit/inWords";
import { To } from "@/ui/kit/to";
import { planBouts, type PlanBout } from "@/ui/plan/planBout";
import type { AtRange } from "./atRange";
import { countedHere } from "./countedHere";
import { drillHere } from "./drillsHere";
import { waitingRows } from "./home";
import { bytesToSend, mb, repsIn } from "./queueWords";

/** The phone's start: the next bout, what is here, and whether it can go without the computer. */
export function StartAtRange(at: AtRange) {
  const { snapshot, bouts } = at;
  const today = formatISO(new Date(), { representation: "date" });
  const drills = [...DRILLS, ...snapshot.own.map((d) => drillHere(d))];
  const done = countedHere(snapshot, bouts, today);
  const planned = planBouts(
    snapshot.bouts.filter((b) => b.day === today && b.state !== "skipped"),
    drills,
  ).filter((b) => b.state !== "done" && done.every((d) => d.drillId !== b.drillId));
  const [next, ...later] = planned;
  return (
    <>
      <p className="mt-5 side-note">
        {weekDayOf(today)}. {whereWords(at)}
      </p>
      <h1 className="mt-1 text-[58px] leading-[0.95]">
        {next ? next.name : done.length ? "Done for today" : "Pick a drill"}
      </h1>
      {next && (
        <p className="mt-3 text-[20px]">
          {next.sets === 1
            ? `One set of ${inWords(next.reps)}`
            : `Sets of ${inWords(next.reps)}, ${inWords(next.sets)} times`}
          {next.stage && `, ${next.stage.toLowerCase()}`}. Why: {next.reason}.
        </p>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        {next && (
          <Button look="main" className="min-h-16 px-8 text-[22px]" asChild>
            <To href={filmOf(next)}>Start the bout</To>
          </Button>
        )}
        <Button className="min-h-16 px-6 text-[18px]" asChild>
          <To href={next ? `/drills/${next.drillId}` : "/drills"}>
            {next ? "See the drill" : "All drills"}
          </To>
        </Button>
      </div>
      {later.length > 0 && (
        <section aria-labelledby="later" className="mt-8 max-w-[640px]">
          <h2 id="later" className="text-[23px]">
            Later today
          </h2>
          <ul>
            {later.map((b) => (
              <li key={b.id} className="border-b border-hair">
                <To href={filmOf(b)} className="flex min-h-13 items-center hover:bg-silt">
                  <strong className="grow">{b.name}</strong>
                  <span className="side-note">
                    {b.sets} × {b.reps}
                  </span>
                </To>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="mt-10 grid gap-x-12 gap-y-10 lg:grid-cols-2">
        <Here {...at} />
        <Ready {...at} />
      </div>
    </>
  );
}

const filmOf = (b: PlanBout): string => `/film?drill=${b.drillId}&stage=${b.stageId}`;

function whereWords({ state: { standing }, snapshot }: AtRange): string {
  switch (standing) {
    case "home":
      return `The computer is in reach; ${snapshot.golfer.name} practises.`;
    case "out":
      return "The computer does not know this phone any more: open /pair on this address. What is here stays.";
    case "away":
      return `No computer in reach: what ${snapshot.golfer.name} films stays here until there is.`;
    case "asking":
      return "Looking for the computer.";
  }
}

/** What was filmed here, and what of it waits. */
function Here({ state, bouts }: AtRange) {
  const waits = waitingRows(state);
  return (
    <section aria-labelledby="here">
      <h2 id="here" className="text-[29px]">
        What is on this phone?
      </h2>
      <p className="text-[17px]" aria-live="polite">
        {waits.length
          ? `${repsIn(waits)} (${mb(bytesToSend(waits))}) ${waits.flatMap(counting).length === 1 ? "waits" : "wait"} to go home${state.sending ? "; they are on their way now" : state.standing === "home" ? "" : ", as soon as the computer is in reach"}.`
          : bouts.length
            ? "The computer has all of it."
            : "Nothing was filmed here yet."}
      </p>
      {state.refused && (
        <p role="alert" className="mt-1 text-[17px] text-fail">
          {state.refused}
        </p>
      )}
      <ul className="mt-3">
        {bouts.map((b) => {
          const reps = b.rows.flatMap(counting);
          return (
            <li key={b.id} className="border-b border-hair">
              <To href={`/bouts/${b.id}`} className="block py-2 hover:bg-silt">
                <strong className="text-[18px]">{b.drill?.name ?? b.drillId}</strong>
                <span className="block side-note" suppressHydrationWarning>
                  {longTime(new Date(b.at))}
                  {b.rows.every((r) => r.sentAt) ? ", on the computer" : ""}
                </span>
                <span className="mt-1 flex flex-wrap gap-2">
                  {reps.map((r) => (
                    <span key={r.id}>
                      <VerdictGlyph name={glyphOf(knownOf(r).result)} size={18} />
                      <span className="sr-only">{WORDS[knownOf(r).result]}</span>
                    </span>
                  ))}
                </span>
              </To>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Whether this phone can go where no computer is. */
function Ready({ home, state, snapshot }: AtRange) {
  const { ready, getting, notReady, space, standing } = state;
  const films = snapshot.golfer.sample ? Object.values(STAND_INS).flat() : [];
  return (
    <section aria-labelledby="ready">
      <h2 id="ready" className="text-[29px]">
        {ready ? "Ready for the range" : "Not ready for the range yet"}
      </h2>
      <p className="max-w-prose text-[17px]">
        {ready
          ? "This page starts, films, judges and shows with no computer and no network. Put it on the home screen by the browser’s menu, and it opens like any other program of the phone."
          : "Away from home this phone needs the pages, the drills, the sounds and the network that finds your joints on itself: about 25 MB, fetched once."}
      </p>
      {!ready && (
        <Button
          look="main"
          className="mt-3"
          disabled={getting !== null || standing !== "home"}
          onClick={() => void home.getReady(films)}
        >
          Get it ready
        </Button>
      )}
      {getting !== null && (
        <label className="mt-3 block max-w-[420px] text-[15px]" aria-live="polite">
          {getting === "begins" || getting.of === null
            ? "The pages are fetched."
            : `The network comes: ${(getting.bytes / 1e6).toFixed(1)} of ${(getting.of / 1e6).toFixed(1)} MB.`}
          <progress
            className="mt-1 block h-2 w-full accent-ink"
            {...(getting === "begins" || getting.of === null
              ? {}
              : { value: getting.bytes, max: getting.of })}
          />
        </label>
      )}
      {notReady && (
        <p role="alert" className="mt-3 max-w-prose text-[17px] text-fail">
          {notReady}
        </p>
      )}
      {space && (
        <p className="mt-3 max-w-prose side-note">
          {mb(space.used)} are taken on this phone; the browser would give {mb(space.of)}.{" "}
          {space.lasts
            ? "It has promised to keep them."
            : "It may throw them out when space runs short: bring reps home soon, or put the page on the home screen."}
        </p>
      )}
      <p className="mt-3 max-w-prose side-note">
        Without any of this: film with the phone’s own camera, and read the clips at home, on the
        computer or in this phone’s browser there (Read clips).
      </p>
    </section>
  );
}
