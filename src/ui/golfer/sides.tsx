"use client";

import { useOptimistic } from "react";
import { useAttempt } from "@/ui/kit/useAttempt";
import { STYLE_CHOICES, type StyleChoice } from "@/core/choose";
import { STYLES, type StyleId, type Styles } from "@/core/drills";

type ChooseSide = (style: StyleId, side: string | null) => Promise<void>;

/**
 * The questions on which good teachers disagree: both sides, the usual one with its reason, and the
 * golfer's choice.
 */
export function Sides({
  chosen,
  taken,
  chooseSide,
}: {
  chosen: Styles;
  taken: Styles;
  chooseSide: ChooseSide;
}) {
  return (
    <ul className="border-t border-hair">
      {STYLE_CHOICES.map((s) => (
        <Side
          key={s.id}
          choice={s}
          chosen={chosen[s.id] ?? null}
          taken={taken[s.id] ?? null}
          chooseSide={chooseSide}
        />
      ))}
    </ul>
  );
}

function Side({
  choice,
  chosen,
  taken,
  chooseSide,
}: {
  choice: StyleChoice;
  chosen: string | null;
  taken: string | null;
  chooseSide: ChooseSide;
}) {
  const [value, setValue] = useOptimistic(chosen);
  const [, attempt] = useAttempt();
  const choose = (side: string | null) =>
    attempt(async () => {
      setValue(side);
      await chooseSide(choice.id, side);
    });
  const options = [
    ...STYLES[choice.id].map((side, i) => ({
      side: side,
      name: side,
      words: choice.sides[i]!,
    })),
    {
      side: null,
      name: "leave it",
      words: `${taken && chosen === null ? `Now: ${taken}. ` : choice.usual ? `That is: ${choice.usual}. ` : ""}${choice.because}`,
    },
  ];
  return (
    <li className="border-b border-hair py-4">
      <fieldset>
        <legend className="mb-2 text-[20px] font-semibold">{choice.question}</legend>
        <div className="grid gap-3 lg:grid-cols-3">
          {options.map(({ side, name, words }) => (
            <label key={name} className="grid min-h-11 grid-cols-[auto_1fr] gap-x-3 text-[15px]">
              <input
                type="radio"
                name={choice.id}
                checked={value === side}
                onChange={() => choose(side)}
                className="mt-1 size-5 accent-(--ink)"
              />
              <span>
                <strong className="block text-[17px]">
                  {name[0]!.toUpperCase() + name.slice(1)}
                </strong>
                {words}
              </span>
            </label>
          ))}
        </div>
      </fieldset>
    </li>
  );
}
