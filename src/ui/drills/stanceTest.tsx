"use client";

import { useId, useState } from "react";
import { toast } from "sonner";
import {
  firstStance,
  REACH_CM,
  STANCE_WORDS,
  STANCES,
  type FootStance,
  type StanceComparison as Compared,
} from "@/core/choose";
import { armSpan } from "@/core/formats";
import { CATALOGUE } from "@/core/measures";
import { Button } from "@/ui/kit/button";
import { useAttempt } from "@/ui/kit/useAttempt";
import { CM_PER_INCH, shownNumber, shownUnit, type Units } from "@/ui/kit/units";

interface Props {
  statureCm: number;
  units: Units;
  armSpanCm: number | null;
  stance: FootStance | null;
  compared: Compared;
  keepReach: (armSpanCm: number | null) => Promise<void>;
  keepStance: (stance: FootStance | null) => Promise<void>;
}

/**
 * Which stance to try first, by the reach of the arms; and which one it is, by the turns in each of
 * the three.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function StanceTest({
  statureCm,
  units,
  armSpanCm,
  stance,
  compared,
  keepReach,
  keepStance,
}: Props) {
  const id = useId();
  const scale = units === "cm" ? 1 : CM_PER_INCH;
  const [text, setText] = useState(
    armSpanCm === null ? "" : String(Math.round((armSpanCm / scale) * 10) / 10),
  );
  const [pending, attempt] = useAttempt();
  const typed = text.trim() === "" ? null : Number(text.replace(",", ".")) * scale;
  const parsed = armSpan.safeParse(typed);
  const guess = parsed.success && typed !== null ? firstStance(typed, statureCm) : null;
  const keep = (action: () => Promise<void>, words: string) =>
    attempt(async () => {
      await action();
      toast(words);
    });
  const show = (cm: number) => `${shownNumber(cm, "cm", units)} ${shownUnit("cm", units)}`;
  return (
    <div className="mt-10 grid gap-x-12 gap-y-8 border-t border-hair pt-8 md:grid-cols-2">
      <section>
        <h2 className="mb-2 text-[23px]">Which one first? Your reach</h2>
        <p className="max-w-prose side-note">
          Alone: stand with your back to a wall, arms spread along it at shoulder height, a pencil
          in each hand. Mark both fingertips, step away, measure from mark to mark.
        </p>
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <label htmlFor={id} className="grid gap-1 font-semibold">
            Fingertip to fingertip, {units === "cm" ? "cm" : "inches"}
            <input
              id={id}
              inputMode="decimal"
              value={text}
              onChange={(e) => setText(e.target.value)}
              aria-invalid={!parsed.success}
              aria-describedby={`${id}-says`}
              className="min-h-11 w-36 rounded-control border-[1.5px] border-edge bg-paper px-3 font-normal"
            />
          </label>
          <Button
            disabled={pending || !parsed.success || typed === armSpanCm}
            onClick={() => keep(() => keepReach(typed), "Kept.")}
          >
            Keep
          </Button>
        </div>
        <p
          id={`${id}-says`}
          className={`mt-2 text-[17px] ${parsed.success ? "" : "text-fail"}`}
          aria-live="polite"
        >
          {!parsed.success ? (
            Number.isNaN(typed) ? (
              "A number, please."
            ) : (
              parsed.error.issues[0]!.message
            )
          ) : guess ? (
            <>
              Begin with the <strong>{STANCE_WORDS[guess]}</strong>: your arms are{" "}
              {Math.abs(typed! - statureCm) < 0.05
                ? "as long as you are tall"
                : `${show(Math.abs(typed! - statureCm))} ${typed! > statureCm ? "longer" : "shorter"} ` +
                  "than you are tall"}
              {guess === "level" ? `, and up to ${show(REACH_CM)} says nothing` : ""}. Only a guess:
              the three decide.
            </>
          ) : (
            ""
          )}
        </p>
      </section>
      <section>
        <h2 className="mb-2 text-[23px]">Which one is yours?</h2>
        {compared.wander.length > 0 && (
          <table className="mb-3 w-full text-left text-[15px]">
            <thead>
              <tr className="border-b border-edge">
                <th className="py-1 font-semibold">Stance</th>
                {Object.keys(compared.wander[0]!.each).map((m) => (
                  <th key={m} className="py-1 font-semibold">
                    {CATALOGUE[m as keyof typeof CATALOGUE].name}
                  </th>
                ))}
                <th className="py-1 font-semibold">Together</th>
              </tr>
            </thead>
            <tbody>
              {compared.wander.map((w) => (
                <tr key={w.stance} className="border-b border-hair">
                  <th className="py-1.5 font-semibold">
                    {STANCE_WORDS[w.stance]}
                    <span className="block font-normal text-ink-2">{w.reps} turns</span>
                  </th>
                  {Object.values(w.each).map((v, i) => (
                    <td key={i}>{show(v)}</td>
                  ))}
                  <td>
                    <strong>
                      {shownNumber(w.total, "cm", units)} ± {show(2 * w.u)}
                    </strong>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="text-[17px]" aria-live="polite">
          {compared.steadiest && <strong>Yours: {STANCE_WORDS[compared.steadiest]}. </strong>}
          {compared.why}
        </p>
        <div
          className="mt-3 flex flex-wrap items-center gap-2"
          role="group"
          aria-label="Your stance"
        >
          {STANCES.map((s) => (
            <Button
              key={s}
              chosen={stance === s}
              disabled={pending}
              onClick={() =>
                keep(
                  () => keepStance(stance === s ? null : s),
                  stance === s ? "Forgotten." : "Kept: drills in your usual stance say so.",
                )
              }
            >
              {STANCE_WORDS[s][0]!.toUpperCase() + STANCE_WORDS[s].slice(1)}
            </Button>
          ))}
        </div>
        <p className="mt-2 side-note">
          {stance
            ? `Kept as your stance: ${STANCE_WORDS[stance]}. Drills in your usual stance name it.`
            : "Not chosen yet."}
        </p>
      </section>
    </div>
  );
}
