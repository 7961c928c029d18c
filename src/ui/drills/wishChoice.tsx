import { BODY_PARTS } from "@/core/drills";
import type { Wish } from "./useWish";
function Choice({
  label,
  value,
  set,
  options,
}: {
  label: string;
  value: string;
  set: (v: string) => void;
  options: readonly (readonly [string, string])[];
}) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(e) => set(e.target.value)}
      className="min-h-11 border-b-[1.5px] border-edge bg-paper font-semibold"
    >
      {options.map(([v, words]) => (
        <option key={v} value={v}>
          {words}
        </option>
      ))}
    </select>
  );
}

/**
 * What a drill must be, as a sentence of choices.
 *
 * @param drills how many there are
 * @param none not even a baseline fits
 * @param apart it stands alone on the page
 */
export function WishSentence({
  wish,
  change,
  drills,
  none,
  apart,
}: {
  wish: Wish;
  change: (more: Partial<Wish>) => void;
  drills: number;
  none: boolean;
  apart: boolean;
}) {
  return (
    <>
      <p className={`${apart ? "mt-6" : ""} text-[20px] leading-loose`}>
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
      {none && (
        <p className="mt-2">
          Ask for less:{" "}
          <button
            type="button"
            className="font-semibold text-link"
            onClick={() => change({ place: "any", minutes: "any", level: "any", trains: "any" })}
          >
            any place, time and level
          </button>
          .
        </p>
      )}
    </>
  );
}
