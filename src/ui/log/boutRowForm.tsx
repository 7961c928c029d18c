"use client";

import { useState } from "react";
import { toast } from "sonner";
import { LINES, STRIKES, type Flight } from "@/core/practice";
import type { BoutRow } from "@/server/practice/boutRow";
import { NumberField, TextField } from "@/ui/editor/fields";
import { Button } from "@/ui/kit/button";
import { FileChoice } from "@/ui/kit/fileChoice";
import { useAttempt } from "@/ui/kit/useAttempt";

const BOX = "min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3";

/**
 * One row after a bout, all of it optional: what the ball did, what it felt like, what touched or
 * fell. None of it enters a verdict.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function BoutRowForm({
  id,
  row,
  asked,
  feltWhen,
  keep,
}: {
  id: string;
  row: BoutRow;
  asked: readonly string[];
  feltWhen: string | null;
  keep(id: string, row: BoutRow): Promise<string | null>;
}) {
  const [now, setNow] = useState(row);
  const [saved, setSaved] = useState(row);
  const [pending, attempt] = useAttempt();
  const changed = JSON.stringify(now) !== JSON.stringify(saved);
  const put = (change: Partial<BoutRow>) => setNow({ ...now, ...change });
  const ball = (change: Partial<Record<keyof Flight, Flight[keyof Flight] | undefined>>) => {
    const next = Object.fromEntries(
      Object.entries({ ...now.flight, ...change }).filter(([, v]) => v !== undefined),
    ) as Flight;
    put({ flight: Object.keys(next).length ? next : null });
  };
  const save = (to: BoutRow, undo: BoutRow | null) =>
    attempt(async () => {
      const wrong = await keep(id, to);
      if (wrong) return void toast.error(wrong);
      setSaved(to);
      setNow(to);
      toast(
        undo ? "Kept." : "As it was.",
        undo ? { action: { label: "Undo", onClick: () => save(undo, null) } } : {},
      );
    });
  const select = (
    label: string,
    value: string | undefined,
    all: readonly string[],
    on: (v: string | undefined) => void,
  ) => (
    <label className="text-[15px]">
      {label}
      <select
        className={`mt-1 block ${BOX}`}
        value={value ?? ""}
        onChange={(e) => on(e.target.value || undefined)}
      >
        <option value="">not said</option>
        {all.map((a) => (
          <option key={a} value={a}>
            {a}
          </option>
        ))}
      </select>
    </label>
  );
  const fromFile = async (file: File) => {
    // The reader comes when a file does.
    const read = (await import("@/core/formats")).readFlightCsv(await file.text());
    if (!read.ok) return void toast.error(`${file.name}: ${read.message} Nothing was changed.`);
    ball(read.flight);
    toast(
      `${file.name}: ${read.shots} ${read.shots === 1 ? "shot" : "shots"} taken together. Keep it if it is right.`,
    );
  };
  return (
    <section aria-labelledby="row" className="mt-10 border-t border-hair pt-5">
      <h2 id="row" className="text-[23px]">
        What did the ball do, and how did it feel?
      </h2>
      <p className="mb-4 side-note">
        All of it may be left out. None of it enters a verdict; progress shows it beside.
      </p>
      <div className="flex flex-wrap gap-x-5 gap-y-4">
        {select("Strike", now.flight?.strike, STRIKES, (strike) =>
          ball({ strike: strike as Flight["strike"] }),
        )}
        {select("Started", now.flight?.start, LINES, (start) =>
          ball({ start: start as Flight["start"] }),
        )}
        {select("Curved", now.flight?.curve, LINES, (curve) =>
          ball({ curve: curve as Flight["curve"] }),
        )}
        <NumberField
          label="Carry"
          unit="m"
          value={now.flight?.carryM ?? null}
          onChange={(v) => ball({ carryM: v ?? undefined })}
        />
        <NumberField
          label="Club speed"
          unit="m/s"
          value={now.flight?.clubSpeedMs ?? null}
          onChange={(v) => ball({ clubSpeedMs: v ?? undefined })}
        />
        <FileChoice
          label="Or from a file, one shot a row"
          accept=".csv,text/csv"
          chosen={(file) => void fromFile(file)}
        />
        <NumberField
          label={asked.find((a) => /^how often/i.test(a)) ?? "Touched or fallen props"}
          unit="times"
          value={now.touched}
          onChange={(touched) => put({ touched })}
        />
        <label className="text-[15px]">
          Felt on the lead foot{feltWhen && `, ${feltWhen}`}
          <span className="mt-1 flex min-h-11 items-center gap-3">
            <input
              type="range"
              min={0}
              max={100}
              step={5}
              value={now.feltShare ?? 50}
              onChange={(e) => put({ feltShare: Number(e.target.value) })}
              className="w-48 accent-ink"
            />
            <strong className="w-20">
              {now.feltShare === null ? "not said" : `${now.feltShare} %`}
            </strong>
            {now.feltShare !== null && (
              <Button look="quiet" onClick={() => put({ feltShare: null })}>
                Leave it out
              </Button>
            )}
          </span>
        </label>
      </div>
      <div className="mt-4 grid max-w-[900px] gap-4 md:grid-cols-3">
        <TextField
          label="Club"
          value={now.club ?? ""}
          onChange={(club) => put({ club: club || null })}
        />
        <TextField
          label="Ball"
          value={now.ball ?? ""}
          hint="none, on a tee, on the ground"
          onChange={(b) => put({ ball: b || null })}
        />
        <TextField
          label="Tags"
          value={now.tags.join(", ")}
          hint="words with commas between"
          onChange={(t) =>
            put({
              tags: t
                .split(",")
                .map((w) => w.trim())
                .filter((w, i, all) => w || i === all.length - 1),
            })
          }
        />
        <TextField
          label="Place"
          value={now.place ?? ""}
          onChange={(place) => put({ place: place || null })}
        />
        <TextField
          label="Weather"
          value={now.weather ?? ""}
          onChange={(weather) => put({ weather: weather || null })}
        />
        <TextField
          label="A line of notes"
          rows={2}
          value={now.note ?? ""}
          onChange={(note) => put({ note: note || null })}
        />
      </div>
      <Button
        look="main"
        className="mt-4"
        disabled={pending || !changed}
        onClick={() => save({ ...now, tags: now.tags.filter(Boolean) }, saved)}
      >
        Keep this
      </Button>
    </section>
  );
}
