"use client";

import Link from "next/link";
import { useMemo } from "react";
import { search, SHORTEST, drillsFor, findSymptom } from "@/core/choose";
import { DRILLS, type Drill, type BodyPart } from "@/core/drills";
import type { FileProblem } from "@/core/formats";
import type { LibraryGolfer, OwnDrillLine, OwnSwings } from "./libraryGolfer";
import { FromSwings } from "./fromSwings";
import { NoticeField } from "./noticeField";
import { OwnDrills } from "./ownDrills";
import { useWish } from "./useWish";
import { WhichIsIt } from "./whichIsIt";
import { WishSentence } from "./wishChoice";
import { Row } from "./libraryRow";

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
  const { wish, change, left } = useWish();
  const typed = wish.q.trim().length >= SHORTEST;
  const found = useMemo(() => search(wish.q), [wish.q]);
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

  const mine = takeIn && <OwnDrills own={own} takeIn={takeIn} />;
  return (
    <>
      <NoticeField wish={wish} change={change} left={left} found={found} symptom={symptom} />
      <h1 className="mt-5 text-[34px] md:text-[46px]">
        {symptom
          ? symptom.usually
          : chosen
            ? `Drills like “${wish.q.trim()}”`
            : `${DRILLS.filter((d) => d.group !== "baseline").length} drills`}
      </h1>
      {symptom && <p className="mt-2 max-w-prose text-[17px]">{symptom.more}</p>}
      {named.length > 0 && (
        <p className="mt-2 side-note">
          Drills of that name:{" "}
          {named.map((d, i) => (
            <span key={d.id}>
              {i > 0 && ", "}
              <Link href={`/drills/${d.id}`} className="font-semibold text-ink text-link">
                {d.name}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
      {!symptom && !typed && <FromSwings swings={swings} />}
      <div className={symptom ? "mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-[430px_1fr]" : ""}>
        {symptom && (
          <WhichIsIt key={symptom.id} symptom={symptom.id} golfer={golfer} swings={swings} />
        )}
        <div>
          <WishSentence
            wish={wish}
            change={change}
            drills={drills}
            none={listed.length === 0}
            apart={symptom === null}
          />
          {!chosen && own.length > 0 && mine}
          <DrillList
            drills={listed}
            ranked={chosen !== null}
            narrow={symptom !== null}
            golfer={golfer}
          />
          {!chosen && own.length === 0 && mine}
        </div>
      </div>
    </>
  );
}

/**
 * One list, whatever is chosen: its rows move and are not made anew at every key.
 *
 * @param ranked the first is the first to try; else they stand by what they start from
 * @param narrow something stands beside it
 */
function DrillList({
  drills,
  ranked,
  narrow,
  golfer,
}: {
  drills: readonly Drill[];
  ranked: boolean;
  narrow: boolean;
  golfer: LibraryGolfer;
}) {
  return (
    <ol
      aria-label={ranked ? "Drills, the first to try first" : "Drills, by what they start from"}
      className={ranked ? "mt-3 border-t border-hair" : ""}
    >
      {ranked
        ? drills.map((d, i) => (
            <Row key={d.id} drill={d} number={i + 1} golfer={golfer} narrow={narrow} />
          ))
        : drills.flatMap((d, i) => [
            ...(drills[i - 1]?.group === d.group
              ? []
              : [
                  <li key={d.group} className="mt-6 border-b border-hair pb-2">
                    <h2 className="text-[23px]">{GROUPS[d.group]}</h2>
                  </li>,
                ]),
            <Row key={d.id} drill={d} golfer={golfer} />,
          ])}
    </ol>
  );
}
