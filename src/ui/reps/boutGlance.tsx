"use client";

import { withId } from "@/core/maths";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { toast } from "sonner";
import type { Stage } from "@/core/drills";
import { CATALOGUE } from "@/core/measures";
import { feltBy, type Glance, type WorthALook } from "@/core/practice";
import type { Problem } from "@/core/scene";
import type { BoutRow } from "@/server/practice/boutRow";
import type { BoutCard } from "@/server/reps/bouts";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { useAttempt } from "@/ui/kit/useAttempt";
import { BodyQuestion } from "@/ui/today/bodyQuestion";
import { BoutRowForm } from "@/ui/log/boutRowForm";
import { changeWords, oddOnes, passedWords } from "./glanceWords";
import { CompareChosen, SmallStrips, useChosen } from "./smallStrips";

interface Props {
  bout: BoutCard;
  glance: Glance;
  problems: Record<string, Problem[]>;
  /** The golfer's best rep of that stage. */
  best: string | null;
  /** What is written beside it, and what the drill asks for there. */
  row: BoutRow;
  asked: readonly string[];
  /** Reps that the golfer counted without film; null for a filmed bout. */
  counted: number | null;
  /** How far it brought the dose of its day. */
  dose: string | null;
  /** Asked after the body, when it was much. */
  body: {
    sore: string | null;
    say(when: "before" | "after", part: string | null): Promise<void>;
  } | null;
  keep(id: string, row: BoutRow): Promise<string | null>;
  bin(what: "bout", id: string, gone: boolean): Promise<void>;
}

/**
 * After the filming: what passed, the one thing to change, which reps to look at and why; all
 * strips of the bout side by side.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function BoutGlance({
  bout,
  glance,
  problems,
  best,
  row,
  asked,
  counted,
  dose,
  body,
  keep,
  bin,
}: Props) {
  const { stage } = bout;
  const router = useRouter();
  const [pending, attempt] = useAttempt();
  const chosen = useChosen();
  const number = (id: string) => withId(bout.reps, id).number;
  const open = bout.reps.filter((r) => r.result === "not judged");
  const own = glance.look.filter((l) => l.id !== best);
  return (
    <>
      <p className="mt-5 side-note">
        {bout.drill ?? "Measured only"}
        {stage && `, ${stage.name.toLowerCase()}`} ·{" "}
        <Link className="text-link" href={`/sessions/${bout.sessionId}`}>
          {longTime(bout.startedAt)}
          {bout.place && `, ${bout.place}`}
        </Link>
      </p>
      <h1 className="page-title">
        {counted === null
          ? passedWords(glance, bout.reps.length)
          : `${counted} reps, counted by you`}
      </h1>
      {glance.change && (
        <p className="mt-1 text-[20px]">
          {changeWords(glance)} <strong>{glance.change.words.toLowerCase()}</strong>
          {glance.change.reps > 1 && `, in ${glance.change.reps} of ${bout.reps.length}`}.
        </p>
      )}
      {dose && <p className="mt-1 text-[17px] text-ink-2">{dose}</p>}
      {body && <BodyQuestion when="after" {...body} />}
      {counted === null && (
        <section aria-labelledby="look" className="mt-8">
          <h2 id="look" className="text-[23px]">
            Which are worth a second look?
          </h2>
          <ul className="mt-2 max-w-[760px]">
            {own.map((l) => (
              <li key={`${l.why} ${l.id}`} className="border-b border-hair py-2">
                <Link className="font-semibold text-link" href={`/reps/${l.id}`}>
                  Rep {number(l.id)}
                </Link>
                : {whyWords(l, stage)}
              </li>
            ))}
            {open.map((r) => (
              <li key={r.id} className="border-b border-hair py-2">
                <Link className="font-semibold text-link" href={`/reps/${r.id}`}>
                  Rep {r.number}
                </Link>
                : not judged. {r.reason} {problems[r.id]?.map((p) => p.action).join(" ")}
              </li>
            ))}
            {!own.length && !open.length && (
              <li className="py-2 text-ink-2">
                None: they are alike, as far as the film can tell.
              </li>
            )}
          </ul>
        </section>
      )}
      {counted === null && (
        <section aria-labelledby="all" className="mt-8">
          <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
            <h2 id="all" className="text-[23px]">
              Does one stand out?
            </h2>
            <div className="flex flex-wrap items-center gap-3">
              <CompareChosen {...chosen} />
              {best && bout.reps.length > 0 && (
                <Button asChild>
                  <Link
                    href={`/compare?reps=${[...new Set([bout.reps[0]!.id, bout.reps.at(-1).id, best])].join(",")}`}
                  >
                    First, last and best
                  </Link>
                </Button>
              )}
            </div>
          </div>
          <SmallStrips reps={bout.reps} odd={oddOnes(glance)} best={best} chosen={chosen} />
          <p className="mt-4 text-[14px] text-ink-2">
            Time runs down; the water is where the weight can be, its line where it was.
          </p>
        </section>
      )}
      <BoutRowForm
        id={bout.id}
        row={row}
        asked={asked}
        feltWhen={stage && (feltBy(stage)?.when ?? null)}
        keep={keep}
      />
      <Button
        className="mt-8"
        disabled={pending}
        onClick={() =>
          attempt(async () => {
            await bin("bout", bout.id, true);
            toast("The bout is in the bin.", {
              action: { label: "Undo", onClick: () => attempt(() => bin("bout", bout.id, false)) },
            });
            router.push("/reps");
          })
        }
      >
        Put this bout into the bin
      </Button>
    </>
  );
}

function whyWords(l: WorthALook, stage: Stage | null): string {
  if (l.why === "closest") return "came closest to passing.";
  if (l.why === "typical") return "is the most usual one: what it shows, most do.";
  const name =
    stage?.checks.find((c) => c.measure === l.measure)?.name ?? CATALOGUE[l.measure].name;
  return (
    `is the odd one: ${name.toLowerCase()} lies ${l.times.toFixed(0)} times the usual ` +
    "spread away from the others."
  );
}
