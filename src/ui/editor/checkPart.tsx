"use client";
import { type Check, type Stage, bandFor, untellable } from "@/core/drills";
import type { DrillFile } from "@/core/formats";
import type { KeptRep } from "@/core/practice";
import { CATALOGUE } from "@/core/measures";
import { mean } from "@/core/maths";
import { SpreadBar } from "@/ui/charts/spreadBar";
import { shownUnit, wanted, type Units } from "@/ui/kit/units";
import { NumberField, TextField } from "./fields";

type FileCheck = DrillFile["stages"][number]["checks"][number];

interface Props {
  check: FileCheck;
  /** The check as it would be judged by. */
  judged: Check;
  stage: Stage;
  reps: readonly KeptRep[];
  statureCm: number;
  units: Units;
  change: (field: string, change: (c: FileCheck) => FileCheck) => void;
  wrong: (field: string) => string | undefined;
}

const LEVELS = {
  must: "must: a pass needs it",
  limit: "limit: fails when surely broken",
  advice: "advice: shown only",
} as const;

/** One check: its limits beside the last reps, its weight and its words. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function CheckPart({ check, judged, stage, reps, statureCm, units, change, wrong }: Props) {
  const { unit, name: measureName, definition } = CATALOGUE[check.measure];
  const own = reps.flatMap((r) =>
    typeof r.measures[check.measure]?.value === "number" ? [r.measures[check.measure]!] : [],
  );
  const values = own.map((m) => m.value!);
  const told = untellable(judged, stage);
  const body = judged.scales.some(Boolean);
  const side = (i: 0 | 1, v: number | null) =>
    change(i === 0 ? "band.low" : "band.high", (c) => ({
      ...c,
      band: i === 0 ? [v, c.band[1]] : [c.band[0], v],
    }));
  const words = (which: "below" | "above", part: "cue" | "next", text: string) =>
    change(`${which}.${part}`, (c) => ({
      ...c,
      [which]: { cue: c[which]?.cue ?? "", next: c[which]?.next ?? "", [part]: text },
    }));
  return (
    <li className="border-b border-hair py-5">
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[1fr_260px]">
        <div className="grid content-start gap-3">
          <TextField
            label="Name of the check"
            value={check.name}
            onChange={(name) => change("name", (c) => ({ ...c, name }))}
            wrong={wrong("name")}
            hint={`${measureName}. ${definition}`}
          />
          <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
            <NumberField
              label="Not below"
              value={check.band[0]}
              onChange={(v) => side(0, v)}
              unit={shownUnit(unit, "cm")}
              none="none"
              wrong={wrong("band") !== undefined}
            />
            <NumberField
              label="Not above"
              value={check.band[1]}
              onChange={(v) => side(1, v)}
              unit={shownUnit(unit, "cm")}
              none="none"
              wrong={wrong("band") !== undefined}
            />
            <label className="grid gap-1 side-note">
              Counts as
              <select
                value={check.level}
                onChange={(e) =>
                  change("level", (c) => ({ ...c, level: e.target.value as FileCheck["level"] }))
                }
                className="min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-2 text-[17px] text-ink"
              >
                {Object.entries(LEVELS).map(([v, says]) => (
                  <option key={v} value={v}>
                    {says}
                  </option>
                ))}
              </select>
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                checked={check.point}
                onChange={(e) => change("point", (c) => ({ ...c, point: e.target.checked }))}
                className="size-5 accent-(--ink)"
              />
              the drill&rsquo;s point
            </label>
          </div>
          {wrong("band") && (
            <p role="alert" className="text-[15px] text-fail">
              {wrong("band")}
            </p>
          )}
          {body && (
            <p className="side-note">
              For somebody of 178 cm; for you:{" "}
              {wanted(bandFor(judged, statureCm), check.measure, units)}.
            </p>
          )}
          {told && (
            <p
              className={`border-l-4 pl-3 text-[15px] ${told.shut ? "border-fail text-fail" : "border-unsure"}`}
            >
              {told.words}
            </p>
          )}
        </div>
        <div>
          <p className="mb-2 side-note">
            {values.length
              ? `Your last ${values.length === 1 ? "rep" : `${values.length} reps`} against these limits`
              : "No rep of yours has shown this yet."}
          </p>
          {values.length > 0 && (judged.band[0] !== null || judged.band[1] !== null) && (
            <SpreadBar
              band={bandFor(judged, statureCm)}
              values={values}
              mean={mean(values)}
              u={mean(own.map((m) => m.u ?? 0))}
            />
          )}
        </div>
      </div>
      <details className="mt-3">
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">
          What is said when it fails
        </summary>
        <div className="grid gap-x-8 gap-y-3 md:grid-cols-2">
          {(["below", "above"] as const)
            .filter((w) => check[w] || check.band[w === "below" ? 0 : 1] !== null)
            .map((w) => (
              <fieldset key={w} className="grid gap-3">
                <legend className="side-note">
                  {w === "below" ? "Below the lower limit" : "Above the upper limit"}
                </legend>
                <TextField
                  label="Cue, four words at most"
                  value={check[w]?.cue ?? ""}
                  onChange={(t) => words(w, "cue", t)}
                  wrong={wrong(`${w}, cue`)}
                />
                <TextField
                  label="What to do next"
                  value={check[w]?.next ?? ""}
                  onChange={(t) => words(w, "next", t)}
                  wrong={wrong(`${w}, next`)}
                />
              </fieldset>
            ))}
        </div>
      </details>
    </li>
  );
}
