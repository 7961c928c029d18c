"use client";

import { useState, useTransition } from "react";
import {
  halfView,
  type Lens,
  type FilmPlan,
  type Loss,
  type PhonePlace,
  type Planned,
  type Resolved,
} from "@/core/film";
import type { View } from "@/core/scene";
import { NumberField } from "@/ui/editor/fields";
import { Button } from "@/ui/kit/button";
import { To } from "@/ui/kit/to";
import { CM_PER_INCH, type Units } from "@/ui/kit/units";
import { FloorPlan } from "./floorPlan";

/** What the golfer says of where they film, cm; null where they have not. */
export interface FilmingPlace extends PhonePlace {
  /** How far off they fill the picture of an upright phone from top to bottom: what the lens is. */
  fills: number | null;
}

export interface SetUpProps {
  planned: Planned;
  /**
   * Where it does not fit: what the other view takes, cm, and the drills that are filmed from
   * there.
   */
  elsewhere: { depth: number; drills: { id: string; name: string }[] } | null;
  place: FilmingPlace;
  lens: Lens;
  view: View;
  hand: "left" | "right";
  units: Units;
  ball: readonly [number, number] | null;
  toes: number;
  resolved: { resolution: Resolved["resolution"]; check: { name: string } }[];
  /** Keeps the place and plans anew. */
  keepPlace: (place: FilmingPlace) => Promise<void>;
}

const CM_PER = { cm: 100, inch: 12 * CM_PER_INCH } as const;
const UNIT = { cm: "m", inch: "ft" } as const;

/** A length of a place, in metres or feet. */
const placeLength = (cm: number, units: Units): string =>
  `${(cm / CM_PER[units]).toFixed(1)} ${UNIT[units]}`;

/** What is lost, and what to do about it. */
const LOST: Record<Loss, string> = {
  "club leaves the picture":
    "The club’s head will leave the picture; feet, hips and hands stay in it. Nothing that is judged needs the club.",
  "ceiling too low":
    "The club would meet the ceiling: take a shorter club, make half swings, or go outside.",
  "too narrow":
    "The club would meet a wall: take a shorter club, make half swings, or turn the line.",
};

/**
 * Where the phone goes: the floor from above, what that gives, and the questions that it is
 * reckoned from.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function SetUp({
  planned,
  elsewhere,
  place,
  lens,
  view,
  hand,
  units,
  ball,
  toes,
  resolved,
  keepPlace,
}: SetUpProps) {
  const length = (cm: number) => placeLength(cm, units);
  return (
    <section aria-labelledby="set-up" className="mt-6 max-w-[560px]">
      <h2 id="set-up" className="text-[29px] leading-tight">
        {planned.fits
          ? `Phone ${length(planned.plan.distance)} ${view === "face-on" ? "in front of you" : "behind you"}`
          : `It takes ${length(planned.depthNeeded)} to the phone`}
      </h2>
      {planned.fits ? (
        <>
          <p className="mt-1 text-[17px]">
            {planned.plan.portrait ? "Standing upright" : "Lying on its side"}, level, the lens{" "}
            {heightWords(planned.plan, units)} over the ground
            {view === "face-on"
              ? ", facing you squarely."
              : ", on the line through your toes, facing the target."}
          </p>
          <div className="mt-3 border border-hair">
            <FloorPlan
              plan={planned.plan}
              place={place}
              view={view}
              hand={hand}
              ball={ball}
              toes={toes}
              across={halfView(lens, planned.plan.portrait).across}
              length={length}
            />
          </div>
          {planned.plan.losses.map((l) => (
            <p key={l} className="mt-3 border-l-4 border-ink pl-3 text-[15px]">
              {LOST[l]}
            </p>
          ))}
          <p className="mt-3 side-note">
            There one pixel is {planned.plan.cmPerPx.toFixed(2)} cm of you, and a picture comes
            every {planned.plan.msPerFrame.toFixed(0)} ms.
          </p>
          <Resolutions resolved={resolved} />
        </>
      ) : (
        <>
          <p className="mt-1 text-[17px]">
            You said {length(place.depth!)}. Nearer, your feet or hands leave the picture. Film it
            where there is room.
          </p>
          {elsewhere && (
            <div className="mt-3 border-l-4 border-ink pl-3">
              <p className="text-[17px]">
                Is there {length(elsewhere.depth)} {view === "face-on" ? "behind" : "in front of"}{" "}
                you? Then these drills remain, filmed from{" "}
                {view === "face-on" ? "behind" : "the front"}:
              </p>
              <ul className="mt-1 flex flex-wrap gap-x-4 text-[15px]">
                {elsewhere.drills.map((d) => (
                  <li key={d.id}>
                    <To
                      className="inline-flex min-h-11 items-center text-link"
                      href={`/film?drill=${d.id}`}
                    >
                      {d.name}
                    </To>
                  </li>
                ))}
              </ul>
            </div>
          )}
        </>
      )}
      <PlaceForm place={place} lens={lens} view={view} units={units} keepPlace={keepPlace} />
    </section>
  );
}

const heightWords = ({ height }: FilmPlan, units: Units): string =>
  units === "cm" ? `${Math.round(height)} cm` : `${Math.round(height / CM_PER_INCH)} in`;

/** Which checks the set-up can tell. */
function Resolutions({ resolved }: Pick<SetUpProps, "resolved">) {
  if (!resolved.length) return null;
  const named = (which: Resolved["resolution"]) =>
    resolved.filter((r) => r.resolution === which).map((r) => r.check.name.toLowerCase());
  const rows = [
    ["It tells", named("tells")],
    ["Only when it is clear", named("coarsely")],
    ["Shown, not judged", named("can't")],
  ] as const;
  return (
    <dl className="mt-3 grid gap-1 text-[15px]">
      {rows
        .filter(([, names]) => names.length)
        .map(([words, names]) => (
          <div key={words} className="grid grid-cols-[150px_1fr] gap-2">
            <dt className="font-semibold">{words}</dt>
            <dd>{names.join(" · ")}</dd>
          </div>
        ))}
    </dl>
  );
}

function PlaceForm({
  place,
  lens,
  view,
  units,
  keepPlace,
}: Pick<SetUpProps, "place" | "lens" | "view" | "units" | "keepPlace">) {
  const [said, setSaid] = useState(place);
  const [pending, begin] = useTransition();
  const per = CM_PER[units];
  const shown = (cm: number | null) => (cm === null ? null : Math.round((cm / per) * 10) / 10);
  const field = (key: keyof FilmingPlace, label: string, none: string) => (
    <NumberField
      label={label}
      unit={UNIT[units]}
      none={none}
      value={shown(said[key])}
      onChange={(v) => setSaid({ ...said, [key]: v === null ? null : Math.round(v * per) })}
    />
  );
  return (
    <details
      className="mt-4 border-t border-hair pt-3"
      open={Object.values(place).some((v) => v !== null)}
    >
      <summary className="min-h-11 cursor-pointer font-semibold">
        Short of room, or another lens?
      </summary>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          begin(() => keepPlace(said));
        }}
      >
        <div className="mt-2 grid grid-cols-2 gap-4 sm:grid-cols-3">
          {field(
            "depth",
            view === "face-on" ? "Room in front of you" : "Room behind you",
            "enough",
          )}
          {field("width", "Room along the line", "enough")}
          {field("ceiling", "Ceiling", "none")}
        </div>
        <div className="mt-4">
          {field("fills", "You fill an upright phone’s picture, head to feet, from", "–")}
        </div>
        <p className="mt-1 side-note">
          {place.fills === null
            ? `Not measured: a lens of ${lens.fovDeg.toFixed(0)}° is assumed; most phones’ have 60 to 75.`
            : `That is a lens of ${lens.fovDeg.toFixed(0)}°.`}{" "}
          Walk back from the upright phone until your whole body just fits.
        </p>
        <Button type="submit" className="mt-3" disabled={pending}>
          {pending ? "Planning" : "Plan it"}
        </Button>
      </form>
    </details>
  );
}
