"use client";

import { useState } from "react";
import type { SymptomId } from "@/core/drills";
import type { PracticePlace, WeekRoom } from "@/core/practice";
import { Button } from "@/ui/kit/button";

/** What a plan is made from, as the golfer says. */
export interface Practice {
  week: WeekRoom;
  /** Taken until the golfer says otherwise. */
  taken: boolean;
  goals: readonly SymptomId[];
  lacks: readonly string[];
  sore: { part: string; since: string } | null;
}

const NAMES = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const MINUTES = [0, 5, 10, 15, 20, 30, 45, 60, 90];
const BOX = "min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-2";

/**
 * What the plan is made from: when and where, what is noticed, what there is nothing for, what is
 * sore.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function PracticeForm({
  practice,
  symptoms,
  gear,
  pending,
  save,
  sore,
}: {
  practice: Practice;
  symptoms: readonly { id: string; name: string }[];
  gear: readonly string[];
  pending: boolean;
  save(change: { week: WeekRoom; goals: SymptomId[]; lacks: string[] }): void;
  sore(part: string | null): void;
}) {
  const [week, setWeek] = useState(practice.week);
  const [goals, setGoals] = useState<readonly string[]>(practice.goals);
  const [lacks, setLacks] = useState<readonly string[]>(practice.lacks);
  const [part, setPart] = useState("");
  const put = (i: number, change: Partial<{ minutes: number; place: PracticePlace }>) =>
    setWeek(week.map((d, k) => (k === i ? { ...d, ...change } : d)));
  const toggle = (list: readonly string[], v: string) =>
    list.includes(v) ? list.filter((x) => x !== v) : [...list, v];
  return (
    <details className="mt-10 border-t border-hair pt-5 print:hidden" open={practice.taken}>
      <summary className="min-h-11 cursor-pointer text-[23px] font-bold">
        What is the plan made from?
      </summary>
      {practice.taken && (
        <p className="mb-3 side-note">
          A quarter of an hour at home on weekdays and three quarters on the range on Saturday are
          taken until you say otherwise.
        </p>
      )}
      <div className="grid gap-x-12 gap-y-6 lg:grid-cols-2">
        <table className="max-w-[480px] border-collapse">
          <caption className="mb-2 text-left text-[18px] font-bold">When and where</caption>
          <tbody>
            {week.map((d, i) => (
              <tr key={NAMES[i]}>
                <th scope="row" className="py-1 pr-4 text-left font-normal">
                  {NAMES[i]}
                </th>
                <td className="pr-3">
                  <select
                    aria-label={`${NAMES[i]}, minutes`}
                    className={BOX}
                    value={d.minutes}
                    onChange={(e) => put(i, { minutes: Number(e.target.value) })}
                  >
                    {[...new Set([...MINUTES, d.minutes])]
                      .sort((a, b) => a - b)
                      .map((m) => (
                        <option key={m} value={m}>
                          {m ? `${m} min` : "off"}
                        </option>
                      ))}
                  </select>
                </td>
                <td>
                  <select
                    aria-label={`${NAMES[i]}, place`}
                    className={BOX}
                    value={d.place}
                    onChange={(e) => put(i, { place: e.target.value as PracticePlace })}
                  >
                    <option value="home">at home</option>
                    <option value="range">on the range</option>
                  </select>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="grid content-start gap-6">
          <Ticks
            legend="What do you notice?"
            all={symptoms}
            on={goals}
            change={(v) => setGoals(toggle(goals, v))}
          />
          <Ticks
            legend="What have you nothing for?"
            all={gear.map((g) => ({ id: g, name: g }))}
            on={lacks}
            change={(v) => setLacks(toggle(lacks, v))}
          />
        </div>
      </div>
      <Button
        look="main"
        className="mt-5"
        disabled={pending}
        onClick={() => save({ week, goals: [...goals] as SymptomId[], lacks: [...lacks] })}
      >
        Keep this and plan again
      </Button>
      <section aria-label="Sore" className="mt-8 max-w-[520px]">
        <h3 className="text-[18px] font-bold">Is anything sore?</h3>
        {practice.sore ? (
          <p className="mt-1">
            Your {practice.sore.part}, since {practice.sore.since}: half the minutes, and only the
            easiest drills. Stop at pain; see a physiotherapist or doctor if it stays.{" "}
            <Button className="ml-2" disabled={pending} onClick={() => sore(null)}>
              It is well again
            </Button>
          </p>
        ) : (
          <form
            className="mt-2 flex flex-wrap items-end gap-3"
            onSubmit={(e) => {
              e.preventDefault();
              if (part.trim()) sore(part.trim());
            }}
          >
            <label className="text-[15px]">
              What?
              <input
                className="mt-1 block min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3 text-[17px]"
                value={part}
                maxLength={60}
                placeholder="lower back"
                onChange={(e) => setPart(e.target.value)}
              />
            </label>
            <Button type="submit" disabled={pending || !part.trim()}>
              Go easy
            </Button>
          </form>
        )}
      </section>
    </details>
  );
}

function Ticks({
  legend,
  all,
  on,
  change,
}: {
  legend: string;
  all: readonly { id: string; name: string }[];
  on: readonly string[];
  change(id: string): void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 text-[18px] font-bold">{legend}</legend>
      <div className="flex flex-wrap gap-x-5">
        {all.map((a) => (
          <label key={a.id} className="inline-flex min-h-11 items-center gap-2 text-[15px]">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={on.includes(a.id)}
              onChange={() => change(a.id)}
            />
            {a.name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
