"use client";

import Link from "next/link";
import { useSearchParams } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { search, SHORTEST } from "@/core/choose/search";
import { drillsFor, findSymptom, SYMPTOM_ROWS } from "@/core/choose/symptoms";
import { DRILLS, type Drill } from "@/core/drills";
import { BODY_PARTS, type BodyPart } from "@/core/drills/drill";
import type { FileProblem } from "@/core/formats/drillFile";
import type { LibraryGolfer, OwnDrillLine, OwnSwings } from "./libraryGolfer";
import { TakeIn } from "./takeIn";
import { WhichIsIt } from "./whichIsIt";
import { Choice } from "./wishChoice";
import { Row } from "./libraryRow";

/**
 * What is asked of the list: a complaint's id, words, and what a drill must be. It stands in the
 * address, so that a choice can be linked to and the way back works.
 */
const WISH = { notice: "", q: "", place: "any", minutes: "any", level: "any", trains: "any" };
type Wish = typeof WISH;

/** Typing has paused after so long, ms. */
const PAUSE_MS = 400;

/** Headings of the whole list, in the order in which the drills stand in it. */
const GROUPS: Record<Drill["group"], string> = {
  balance: "Balance, and arms with quiet feet",
  ground: "Starting from the ground",
  turning: "Turning without sway",
  "trail foot": "The trail foot, down and through",
  through: "Getting through to the lead foot",
  baseline: "Baselines",
};

/**
 * What do you notice? The answer, and the drills for it; or all drills, by what they start from.
 */
export function Library({
  golfer,
  swings,
  own,
  takeIn,
}: {
  golfer: LibraryGolfer;
  swings: OwnSwings | null;
  own: readonly OwnDrillLine[];
  takeIn: ((text: string) => Promise<FileProblem[]>) | null;
}) {
  const asked = useSearchParams();
  // The address follows typing a moment later: the words themselves are held here.
  const [words, setWords] = useState(asked.get("q") ?? "");
  useEffect(() => {
    // What bench:choose counts from: from now on keys and clicks are answered.
    performance.mark("usable");
    // The first search takes ten times as long as the next ones.
    const warm = setTimeout(() => search("warm"), PAUSE_MS);
    const back = () => setWords(new URLSearchParams(window.location.search).get("q") ?? "");
    window.addEventListener("popstate", back);
    return () => {
      clearTimeout(warm);
      window.removeEventListener("popstate", back);
    };
  }, []);
  const late = useRef<{ follow: () => void; timer: ReturnType<typeof setTimeout> } | null>(null);
  const wish: Wish = {
    ...(Object.fromEntries(
      Object.entries(WISH).map(([key, usual]) => [key, asked.get(key) ?? usual]),
    ) as Wish),
    q: words,
  };
  function change(more: Partial<Wish>) {
    if (more.q !== undefined) setWords(more.q);
    const query = new URLSearchParams(
      Object.entries({ ...wish, ...more }).filter(
        ([key, value]) => value !== WISH[key as keyof Wish],
      ),
    );
    const address = `/drills${query.size ? `?${query}` : ""}`;
    clearTimeout(late.current?.timer);
    late.current = null;
    if (more.notice) return window.history.pushState(null, "", address);
    const follow = () => {
      late.current = null;
      window.history.replaceState(null, "", address);
    };
    // Every change of the address draws the page anew: typing does it once it pauses, or leaves the
    // field.
    if (more.q && !wish.notice) late.current = { follow, timer: setTimeout(follow, PAUSE_MS) };
    else follow();
  }
  const typed = wish.q.trim().length >= SHORTEST;
  const found = useMemo(() => search(words), [words]);
  const symptom = wish.notice ? findSymptom(wish.notice) : (found.symptoms[0] ?? null);
  const fits = (e: Drill) =>
    (wish.place === "any" || e.places.includes(wish.place as "home" | "range")) &&
    (wish.minutes === "any" || e.minutes <= Number(wish.minutes)) &&
    (wish.level === "any" || e.level <= Number(wish.level)) &&
    (wish.trains === "any" || e.trains.includes(wish.trains as BodyPart));
  const chosen = symptom ? drillsFor(symptom.id) : typed ? found.drills : null;
  const listed = (chosen ?? DRILLS).filter(fits);
  const drills = listed.filter((d) => d.group !== "baseline").length;
  const named = symptom ? found.drills.slice(0, 3).filter((d) => !listed.includes(d)) : [];

  const mine = takeIn && (
    <section className="mt-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-[23px]">Your own</h2>
        <TakeIn takeIn={takeIn} />
      </div>
      {own.length ? (
        <ul className="mt-2 border-t border-hair">
          {own.map((d) => (
            <li
              key={d.id}
              className="grid gap-x-5 gap-y-1 border-b border-hair py-3 md:grid-cols-[1fr_300px]"
            >
              <span>
                <Link
                  href={`/drills/${d.id}`}
                  prefetch={false}
                  className="display text-[23px] underline underline-offset-4"
                >
                  {d.name}
                </Link>
                <span className="mt-1 block max-w-prose text-[15px]">{d.why}</span>
              </span>
              <span className="text-[15px] text-ink-2">
                <strong className="text-ink">{d.minutes} min</strong>
                <span className="block">
                  version {d.version}, made from {d.from}
                </span>
                <Link href={`/drills/${d.id}/edit`} className="underline underline-offset-4">
                  Change it
                </Link>
              </span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-1 text-[15px] text-ink-2">
          None yet. Open a drill and make a copy, or take in what a teacher sent.
        </p>
      )}
    </section>
  );
  return (
    <>
      <p className="mt-5 text-[15px] text-ink-2" id="notice-label">
        What do you notice?
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-x-8 gap-y-3">
        <input
          type="search"
          aria-labelledby="notice-label"
          value={wish.q}
          placeholder="I catch the ground first"
          onChange={(e) => change({ q: e.target.value, notice: "" })}
          onBlur={() => {
            clearTimeout(late.current?.timer);
            late.current?.follow();
          }}
          className="min-h-13 w-full max-w-[480px] rounded-control border-[1.5px] border-edge bg-paper px-4 text-[20px] placeholder:text-ink-2"
        />
        {typed && (
          <p className="text-[15px] text-ink-2" aria-live="polite">
            {symptom ? (
              <>
                Read as <strong className="text-ink">{symptom.name.toLowerCase()}</strong>.
              </>
            ) : found.drills.length ? (
              "No complaint sounds like this; drills that do:"
            ) : (
              "Nothing sounds like this. Choose one of these:"
            )}
            {found.symptoms.length > 1 && (
              <>
                {" "}
                Or is it{" "}
                {found.symptoms.slice(1, 4).map((s, i) => (
                  <span key={s.id}>
                    {i > 0 && ", "}
                    <button
                      type="button"
                      className="font-semibold text-ink underline underline-offset-4"
                      onClick={() => change({ notice: s.id, q: "" })}
                    >
                      {s.name.toLowerCase()}
                    </button>
                  </span>
                ))}
                ?
              </>
            )}
          </p>
        )}
      </div>
      <ul aria-label="What golfers usually notice" className="mt-4 flex flex-wrap gap-x-5 gap-y-0">
        {SYMPTOM_ROWS.map((s) => (
          <li key={s.id}>
            <button
              type="button"
              aria-pressed={symptom?.id === s.id}
              className={`min-h-11 underline-offset-4 ${symptom?.id === s.id ? "font-bold no-underline" : "underline decoration-hair hover:decoration-ink"}`}
              onClick={() => change({ notice: wish.notice === s.id ? "" : s.id, q: "" })}
            >
              {s.name}
            </button>
          </li>
        ))}
      </ul>
      <h1 className="mt-5 text-[34px] md:text-[46px]">
        {symptom
          ? symptom.usually
          : chosen
            ? `Drills like “${wish.q.trim()}”`
            : `${DRILLS.filter((d) => d.group !== "baseline").length} drills`}
      </h1>
      {symptom && <p className="mt-2 max-w-prose text-[17px]">{symptom.more}</p>}
      {named.length > 0 && (
        <p className="mt-2 text-[15px] text-ink-2">
          Drills of that name:{" "}
          {named.map((d, i) => (
            <span key={d.id}>
              {i > 0 && ", "}
              <Link
                href={`/drills/${d.id}`}
                className="font-semibold text-ink underline underline-offset-4"
              >
                {d.name}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
      {!symptom && !typed && (
        <p className="mt-2 max-w-prose text-[17px]">
          {swings?.first ? (
            <>
              Your own {swings.count} swings:{" "}
              <Link href="/profile" className="font-semibold underline underline-offset-4">
                {swings.first.words}
              </Link>
              . They speak for{" "}
              <Link
                href={`/drills/${swings.first.id}`}
                className="font-semibold underline underline-offset-4"
              >
                {DRILLS.find((d) => d.id === swings.first!.id)!.name}
              </Link>
              .
            </>
          ) : swings ? (
            <>
              Your own {swings.count} swings show{" "}
              <Link href="/profile" className="font-semibold underline underline-offset-4">
                nothing that can be told
              </Link>
              . Choose by what you notice.
            </>
          ) : (
            <>
              Say what you notice, or let{" "}
              <Link href="/profile" className="font-semibold underline underline-offset-4">
                five normal swings
              </Link>{" "}
              choose.
            </>
          )}
        </p>
      )}
      <div className={symptom ? "mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-[430px_1fr]" : ""}>
        {symptom && (
          <WhichIsIt key={symptom.id} symptom={symptom.id} golfer={golfer} swings={swings} />
        )}
        <div>
          <p className={`${symptom ? "" : "mt-6"}text-[20px] leading-loose`}>
            For{" "}
            <Choice
              label="Place"
              value={wish.place}
              set={(place) => change({ place })}
              options={[
                ["any", "home and range"],
                ["home", "home"],
                ["range", "the range"],
              ]}
            />
            , up to{" "}
            <Choice
              label="Minutes"
              value={wish.minutes}
              set={(minutes) => change({ minutes })}
              options={[
                ["any", "any time"],
                ["5", "5 minutes"],
                ["8", "8 minutes"],
                ["10", "10 minutes"],
              ]}
            />
            ,{" "}
            <Choice
              label="Level"
              value={wish.level}
              set={(level) => change({ level })}
              options={[
                ["any", "of any level"],
                ["1", "easy"],
                ["2", "easy or middling"],
              ]}
            />
            , for{" "}
            <Choice
              label="Trains"
              value={wish.trains}
              set={(trains) => change({ trains })}
              options={[["any", "the whole body"], ...BODY_PARTS.map((b) => [b, b] as const)]}
            />
            : {drills === 0 ? "no drill" : drills === 1 ? "one drill" : `${drills} drills`}.
          </p>
          {listed.length === 0 && (
            <p className="mt-2">
              Ask for less:{" "}
              <button
                type="button"
                className="font-semibold underline underline-offset-4"
                onClick={() =>
                  change({ place: "any", minutes: "any", level: "any", trains: "any" })
                }
              >
                any place, time and level
              </button>
              .
            </p>
          )}
          {!chosen && own.length > 0 && mine}
          {/* One list, whatever is chosen: its rows move and are not made anew at every key. */}
          <ol
            aria-label={
              chosen ? "Drills, the first to try first" : "Drills, by what they start from"
            }
            className={chosen ? "mt-3 border-t border-hair" : ""}
          >
            {chosen
              ? listed.map((d, i) => (
                  <Row
                    key={d.id}
                    drill={d}
                    number={i + 1}
                    golfer={golfer}
                    narrow={symptom !== null}
                  />
                ))
              : listed.flatMap((d, i) => [
                  ...(listed[i - 1]?.group === d.group
                    ? []
                    : [
                        <li key={d.group} className="mt-6 border-b border-hair pb-2">
                          <h2 className="text-[23px]">{GROUPS[d.group]}</h2>
                        </li>,
                      ]),
                  <Row key={d.id} drill={d} golfer={golfer} />,
                ])}
          </ol>
          {!chosen && own.length === 0 && mine}
        </div>
      </div>
    </>
  );
}
