"use client";

import Link from "next/link";
import { CATALOGUE } from "@/core/measures";
import type { FirstToLast, Shift, Glance } from "@/core/practice";
import type { BoutCard } from "@/server/reps/bouts";
import { longTime, shortTime } from "@/ui/kit/dates";
import { shownNumber, shownUnit, toldAs, type Units } from "@/ui/kit/units";
import { changeWords, oddOnes, passedWords } from "./glanceWords";
import { CompareChosen, SmallStrips, useChosen } from "./smallStrips";

/** What a session has of one drill's stage. */
export interface SessionPart {
  drill: string | null;
  stage: string | null;
  bouts: readonly BoutCard[];
  glance: Glance;
  /** The golfer's best rep of the stage. */
  best: string | null;
}

/**
 * A whole session's strips by drill and bout, so that the odd one stands out; up to four of them
 * can be compared.
 */
export function SessionGlance({
  startedAt,
  place,
  parts,
  focus,
  units,
}: {
  startedAt: Date;
  place: string | null;
  parts: readonly SessionPart[];
  focus: FirstToLast | null;
  units: Units;
}) {
  const chosen = useChosen();
  const reps = parts.reduce((n, p) => n + p.bouts.reduce((m, b) => m + b.reps.length, 0), 0);
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="mt-5 side-note">
            Does one stand out? {longTime(startedAt)}
            {place && `, ${place}`}
          </p>
          <h1 className="page-title">
            {reps === 1 ? "One rep" : `${reps} reps`} of{" "}
            {parts.length === 1
              ? (parts[0]!.drill ?? "no drill").toLowerCase()
              : `${parts.length} drills`}
          </h1>
        </div>
        <CompareChosen {...chosen} />
      </div>
      {focus && <Focus focus={focus} units={units} />}
      {parts.map((p) => (
        <section
          key={`${p.drill} ${p.stage}`}
          className="mt-8 border-t border-hair pt-5"
          aria-label={p.drill ?? "Measured only"}
        >
          <h2 className="text-[23px]">
            {p.drill ?? "Measured only"}
            {p.stage && <span className="font-normal text-ink-2">, {p.stage.toLowerCase()}</span>}
          </h2>
          <p className="text-[17px]">
            {passedWords(
              p.glance,
              p.bouts.reduce((n, b) => n + b.reps.length, 0),
            )}
            .{" "}
            {p.glance.change && (
              <>
                {changeWords(p.glance)} <strong>{p.glance.change.words.toLowerCase()}</strong>.
              </>
            )}
          </p>
          {p.bouts.map((b) => (
            <div key={b.id} className="mt-4">
              <h3 className="mb-2 text-[15px] font-normal">
                <Link className="text-link" href={`/bouts/${b.id}`}>
                  Bout of {shortTime(b.startedAt)}
                </Link>
              </h3>
              <SmallStrips reps={b.reps} odd={oddOnes(p.glance)} best={p.best} chosen={chosen} />
            </div>
          ))}
        </section>
      ))}
    </>
  );
}

/** A session of one drill: what its last bout has that its first had not. */
function Focus({
  focus: { first, last, change, shifts },
  units,
}: {
  focus: FirstToLast;
  units: Units;
}) {
  const sure = shifts.filter((s) => s.sure);
  const number = (v: number, s: Shift) =>
    `${shownNumber(v, s.unit, units)} ${shownUnit(s.unit, units)}`;
  const value = (v: number, s: Shift) => number(toldAs(v, s.measure), s);
  return (
    <section className="mt-8 border-t border-hair pt-5" aria-labelledby="focus">
      <h2 id="focus" className="text-[23px]">
        Did it change from the first bout to the last?
      </h2>
      <p className="max-w-prose text-[17px]">
        {change
          ? `${last.passed} of ${last.judged} passed in the last, ${first.passed} of ` +
            `${first.judged} in the first: ` +
            `${change.sure ? "more than chance makes of so many reps" : "too few reps to tell that from chance"}. `
          : ""}
        {sure.length
          ? `${sure.length === 1 ? "One measure has" : `${sure.length} measures have`} moved by more than reps scatter.`
          : "No measure has moved by more than reps scatter."}
      </p>
      {shifts.length > 0 && (
        <div
          className="mt-3 overflow-x-auto"
          tabIndex={0}
          role="region"
          aria-label="First bout against last"
        >
          <table className="w-full max-w-[760px] text-left text-[15px]">
            <thead className="border-b-[1.5px] border-edge">
              <tr>
                <th className="py-1 pr-4">middle of</th>
                <th className="pr-4">first bout</th>
                <th className="pr-4">last bout</th>
                <th>moved by</th>
              </tr>
            </thead>
            <tbody>
              {shifts.map((s) => (
                <tr key={s.measure} className="border-b border-hair">
                  <th scope="row" className="py-1.5 pr-4 font-normal">
                    {CATALOGUE[s.measure].name}
                  </th>
                  <td className="pr-4">{value(s.first, s)}</td>
                  <td className="pr-4">{value(s.last, s)}</td>
                  <td className={s.sure ? "font-semibold" : "text-ink-2"}>
                    {value(s.last - s.first, s)} ± {number(2 * s.u, s)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
