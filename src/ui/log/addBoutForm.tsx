"use client";

import { withId } from "@/core/maths";
import { useState } from "react";
import { NumberField, TextField } from "@/ui/editor/fields";
import { Button } from "@/ui/kit/button";
import { useAttempt } from "@/ui/kit/useAttempt";

const BOX =
  "mt-1 block min-h-11 w-full rounded-control border-[1.5px] border-edge bg-paper px-3 text-[17px]";

/** A bout that nobody filmed: the golfer's own count. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function AddBoutForm({
  drills,
  places,
  now,
  add,
}: {
  drills: readonly {
    id: string;
    name: string;
    stages: readonly { id: string; name: string }[];
    reps: number;
  }[];
  places: readonly string[];
  now: string;
  add(form: object): Promise<string | null>;
}) {
  const [drillId, setDrill] = useState(drills[0]!.id);
  const drill = withId(drills, drillId);
  const [stageId, setStage] = useState(drill.stages[0]!.id);
  const [at, setAt] = useState(now);
  const [place, setPlace] = useState(places[0] ?? "");
  const [done, setDone] = useState<number | null>(drill.reps);
  const [passed, setPassed] = useState<number | null>(null);
  const [note, setNote] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [pending, attempt] = useAttempt();
  return (
    <form
      className="grid max-w-[520px] gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        attempt(async () =>
          setWrong(
            await add({
              drillId,
              stageId,
              at: new Date(at).toISOString(),
              place,
              done: done ?? 0,
              passed,
              note,
            }),
          ),
        );
      }}
    >
      <label className="text-[15px]">
        Drill
        <select
          className={BOX}
          value={drillId}
          onChange={(e) => {
            const d = withId(drills, e.target.value);
            setDrill(d.id);
            setStage(d.stages[0]!.id);
            setDone(d.reps);
          }}
        >
          {drills.map((d) => (
            <option key={d.id} value={d.id}>
              {d.name}
            </option>
          ))}
        </select>
      </label>
      <label className="text-[15px]">
        Stage
        <select className={BOX} value={stageId} onChange={(e) => setStage(e.target.value)}>
          {drill.stages.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      </label>
      <label className="text-[15px]">
        When
        <input
          type="datetime-local"
          className={BOX}
          value={at}
          max={now}
          onChange={(e) => setAt(e.target.value)}
        />
      </label>
      <TextField label="Place" value={place} onChange={setPlace} />
      <div className="flex flex-wrap gap-6">
        <NumberField label="Reps done" unit="reps" value={done} onChange={setDone} />
        <NumberField
          label="Good ones, as you saw it"
          unit="reps"
          value={passed}
          none="not counted"
          onChange={setPassed}
        />
      </div>
      <TextField label="A line of notes" rows={2} value={note} onChange={setNote} />
      <p className="side-note">
        They count for the dose and the plan. No stage opens by them: nothing was judged.
      </p>
      {wrong && (
        <p role="alert" className="text-fail">
          {wrong}
        </p>
      )}
      <Button look="main" type="submit" disabled={pending}>
        Add the bout
      </Button>
    </form>
  );
}
