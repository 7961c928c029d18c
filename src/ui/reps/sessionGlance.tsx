"use client";

import Link from "next/link";
import type { Glance } from "@/core/practice/glance";
import type { BoutCard } from "@/server/reps/bouts";
import { longTime, shortTime } from "@/ui/kit/dates";
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

/** A whole session's strips by drill and bout, so that the odd one stands out; up to four of them can be compared. */
export function SessionGlance({ startedAt, place, parts }: { startedAt: Date; place: string | null; parts: readonly SessionPart[] }) {
  const chosen = useChosen();
  const reps = parts.reduce((n, p) => n + p.bouts.reduce((m, b) => m + b.reps.length, 0), 0);
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="mt-5 text-[15px] text-ink-2">Does one stand out? {longTime(startedAt)}{place && `, ${place}`}</p>
          <h1 className="mt-1 text-[34px] md:text-[46px]">{reps === 1 ? "One rep" : `${reps} reps`} of {parts.length === 1 ? (parts[0]!.drill ?? "no drill").toLowerCase() : `${parts.length} drills`}</h1>
        </div>
        <CompareChosen {...chosen} />
      </div>
      {parts.map((p) => (
        <section key={`${p.drill} ${p.stage}`} className="mt-8 border-t border-hair pt-5" aria-label={p.drill ?? "Measured only"}>
          <h2 className="text-[23px]">{p.drill ?? "Measured only"}{p.stage && <span className="font-normal text-ink-2">, {p.stage.toLowerCase()}</span>}</h2>
          <p className="text-[17px]">{passedWords(p.glance, p.bouts.reduce((n, b) => n + b.reps.length, 0))}. {p.glance.change && <>{changeWords(p.glance)} <strong>{p.glance.change.words.toLowerCase()}</strong>.</>}</p>
          {p.bouts.map((b) => (
            <div key={b.id} className="mt-4">
              <h3 className="mb-2 text-[15px] font-normal"><Link className="underline underline-offset-4" href={`/bouts/${b.id}`}>Bout of {shortTime(b.startedAt)}</Link></h3>
              <SmallStrips reps={b.reps} odd={oddOnes(p.glance)} best={p.best} chosen={chosen} />
            </div>
          ))}
        </section>
      ))}
    </>
  );
}
