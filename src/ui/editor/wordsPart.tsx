"use client";
import type { DrillFile } from "@/core/formats";
import { LinesField, NumberField, TextField } from "./fields";

interface Props {
  file: DrillFile;
  change: (place: string, change: (f: DrillFile) => DrillFile) => void;
  wrong: (where: string) => string | undefined;
}

const SCHOOLS = {
  "single focus": "one drill for the whole session",
  "short sets": "four to six reps, then your own swing",
  "home habit": "short bouts on most days",
  "counted sets": "a set with a miss is done again",
} as const;

/** A drill's words, places and dose. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function WordsPart({ file, change, wrong }: Props) {
  const line = (key: "name" | "why" | "feel", label: string, rows = 1) => (
    <TextField
      label={label}
      rows={rows}
      value={file[key]}
      onChange={(v) => change(key, (f) => ({ ...f, [key]: v }))}
      wrong={wrong(key)}
    />
  );
  const list = (key: "setUp" | "cautions" | "notWhen" | "asked", label: string) => (
    <LinesField
      label={label}
      hint="A line each."
      value={file[key]}
      onChange={(v) => change(key, (f) => ({ ...f, [key]: v }))}
      wrong={wrong(key)}
    />
  );
  const place = (key: keyof DrillFile["at"], label: string) => (
    <TextField
      label={label}
      value={file.at[key]}
      onChange={(v) => change(`at.${key}`, (f) => ({ ...f, at: { ...f.at, [key]: v } }))}
      wrong={wrong(`at, ${key}`)}
    />
  );
  const count = (key: "sets" | "reps", label: string) => (
    <NumberField
      label={label}
      unit=""
      value={file.dose[key]}
      onChange={(v) => change(`dose.${key}`, (f) => ({ ...f, dose: { ...f.dose, [key]: v ?? 0 } }))}
      wrong={wrong(`dose, ${key}`) !== undefined}
    />
  );
  return (
    <div className="grid gap-x-12 gap-y-5 md:grid-cols-2">
      <div className="grid content-start gap-5">
        {line("name", "Name")}
        {line("why", "Why it helps", 3)}
        {line("feel", "How it feels at first", 3)}
        {list("setUp", "Set up")}
      </div>
      <div className="grid content-start gap-5">
        {place("feet", "Feet")}
        {place("ball", "Ball")}
        {place("club", "Club")}
        {place("phone", "Phone")}
        <div className="grid gap-2">
          <p className="font-semibold">How much</p>
          <div className="flex flex-wrap items-end gap-4">
            {count("sets", "Sets")}
            {count("reps", "Reps a set")}
            <NumberField
              label="Minutes"
              unit=""
              value={file.minutes}
              onChange={(v) => change("minutes", (f) => ({ ...f, minutes: v ?? 0 }))}
              wrong={wrong("minutes") !== undefined}
            />
          </div>
          <label className="grid gap-1 side-note">
            School
            <select
              value={file.dose.school}
              onChange={(e) =>
                change("dose.school", (f) => ({
                  ...f,
                  dose: { ...f.dose, school: e.target.value as DrillFile["dose"]["school"] },
                }))
              }
              className="min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-2 text-[17px] text-ink"
            >
              {Object.entries(SCHOOLS).map(([v, says]) => (
                <option key={v} value={v}>
                  {v}: {says}
                </option>
              ))}
            </select>
          </label>
          {(["dose, sets", "dose, reps", "minutes"] as const).map(
            (w) =>
              wrong(w) && (
                <p key={w} className="text-[15px] text-fail">
                  {w.replace("dose, ", "")}: {wrong(w)}
                </p>
              ),
          )}
        </div>
        {list("asked", "Asked after the bout")}
        {list("notWhen", "Not for you when")}
        {list("cautions", "Take care")}
      </div>
    </div>
  );
}
