"use client";

import Link from "next/link";
import { useState } from "react";
import type { Stage } from "@/core/drills";
import { CATALOGUE } from "@/core/measures/catalogue";
import type { Glance, WorthALook } from "@/core/practice/glance";
import type { Problem } from "@/core/scene/problems";
import type { BoutCard, RepCard } from "@/server/reps/queries";
import { decidingCheck } from "@/ui/charts/strip/gates";
import { CARD } from "@/ui/charts/strip/geometry";
import { RepStrip } from "@/ui/charts/strip/repStrip";
import { captionOf } from "@/ui/charts/strip/words";
import { Button } from "@/ui/kit/button";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";

interface Props {
  bout: BoutCard;
  hand: "left" | "right";
  glance: Glance;
  stage: Stage | null;
  problems: Record<string, Problem[]>;
  /** The golfer's best rep of that stage. */
  best: string | null;
}

/** So many can be laid over each other. */
const MOST = 4;

/** After the filming: what passed, the one thing to change, which reps to look at and why; all strips of the bout side by side. */
export function BoutGlance({ bout, hand, glance, stage, problems, best }: Props) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const number = (id: string) => bout.reps.find((r) => r.id === id)!.number;
  const when = new Intl.DateTimeFormat("en-GB", { weekday: "long", day: "numeric", month: "long", hour: "2-digit", minute: "2-digit", timeZone: "UTC" }).format(bout.startedAt);
  const open = bout.reps.filter((r) => r.result === "not judged");
  const own = glance.look.filter((l) => l.id !== best);
  return (
    <>
      <p className="mt-5 text-[15px] text-ink-2">{bout.drill ?? "Measured only"}{stage && `, ${stage.name.toLowerCase()}`} · {when}{bout.place && `, ${bout.place}`}</p>
      <h1 className="mt-1 text-[34px] md:text-[46px]">{glance.judged ? `${glance.passed} of ${glance.judged} passed` : `${bout.reps.length} ${bout.reps.length === 1 ? "rep" : "reps"}, none judged`}</h1>
      {glance.change && <p className="mt-1 text-[20px]">{glance.change.reps === 1 && glance.judged - glance.passed > 1 ? "Each failed for something else; begin with: " : "The one thing to change: "}<strong>{glance.change.words.toLowerCase()}</strong>{glance.change.reps > 1 && `, in ${glance.change.reps} of ${bout.reps.length}`}.</p>}
      <section aria-labelledby="look" className="mt-8">
        <h2 id="look" className="text-[23px]">Which are worth a second look?</h2>
        <ul className="mt-2 max-w-[760px]">
          {own.map((l) => (
            <li key={`${l.why} ${l.id}`} className="border-b border-hair py-2"><Link className="font-semibold underline underline-offset-4" href={`/reps/${l.id}`}>Rep {number(l.id)}</Link>: {whyWords(l, stage)}</li>
          ))}
          {open.map((r) => (
            <li key={r.id} className="border-b border-hair py-2"><Link className="font-semibold underline underline-offset-4" href={`/reps/${r.id}`}>Rep {r.number}</Link>: not judged. {r.reason} {problems[r.id]?.map((p) => p.action).join(" ")}</li>
          ))}
          {!own.length && !open.length && <li className="py-2 text-ink-2">None: they are alike, as far as the film can tell.</li>}
        </ul>
      </section>
      <section aria-labelledby="all" className="mt-8">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h2 id="all" className="text-[23px]">Does one stand out?</h2>
          <div className="flex flex-wrap items-center gap-3" aria-live="polite">
            {chosen.length === 1 && <span className="text-[15px] text-ink-2">One more makes a comparison.</span>}
            {chosen.length > 1 && <Button look="main" asChild><Link href={`/compare?reps=${chosen.join(",")}`}>Compare {chosen.length === 2 ? "both" : `these ${chosen.length}`}</Link></Button>}
            {best && bout.reps.length > 0 && <Button asChild><Link href={`/compare?reps=${[...new Set([bout.reps[0]!.id, bout.reps.at(-1)!.id, best])].join(",")}`}>First, last and best</Link></Button>}
          </div>
        </div>
        <ul className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(110px,1fr))] gap-x-4 gap-y-6">
          {bout.reps.map((r) => <Small key={r.id} rep={r} hand={hand} odd={glance.look.some((l) => l.id === r.id && l.why === "odd")} best={r.id === best} chosen={chosen.includes(r.id)} full={chosen.length >= MOST} choose={(on) => setChosen(on ? [...chosen, r.id] : chosen.filter((c) => c !== r.id))} />)}
        </ul>
        {bout.reps[0]?.series && <p className="mt-4 text-[14px] text-ink-2">{captionOf(bout.reps[0].series)} Time runs down.</p>}
      </section>
    </>
  );
}

/** A rep's strip among the others'. */
function Small({ rep, hand, odd, best, chosen, full, choose }: { rep: RepCard; hand: "left" | "right"; odd: boolean; best: boolean; chosen: boolean; full: boolean; choose: (on: boolean) => void }) {
  const says = rep.result === null ? "Measured" : WORDS[rep.result];
  const deciding = rep.verdict ? decidingCheck(rep.verdict) : undefined;
  return (
    // What is not on the screen is not drawn: a long bout has hundreds.
    <li className="[contain-intrinsic-size:110px_230px] [content-visibility:auto]">
      <Link href={`/reps/${rep.id}`} className={`block p-1 hover:bg-silt ${odd ? "outline-[2.5px] outline-ink" : ""}`} aria-label={`Rep ${rep.number}: ${says}${rep.cue ? `, ${rep.cue}` : ""}${odd ? ", odd" : ""}${best ? ", best" : ""}`}>
        {rep.series ? <span className="block h-[170px] overflow-hidden [&>svg]:h-full [&>svg]:w-full"><RepStrip size={CARD} few label="" data={{ series: rep.series, events: rep.events, hand, checks: rep.verdict?.checks ?? [], at: rep.at }} onlyGate={deciding?.id ?? ""} /></span> : <span className="block h-[170px] bg-silt" />}
        <span className="mt-1.5 flex items-center justify-between font-semibold">{rep.number}{odd ? " odd" : best ? " best" : ""}{rep.result && <VerdictGlyph name={glyphOf(rep.result)} size={18} />}</span>
      </Link>
      <label className="inline-flex min-h-11 items-center gap-2 text-[14px]"><input type="checkbox" className="size-5 accent-ink" checked={chosen} disabled={!chosen && full} onChange={(e) => choose(e.target.checked)} />compare<span className="sr-only"> rep {rep.number}</span></label>
    </li>
  );
}

function whyWords(l: WorthALook, stage: Stage | null): string {
  if (l.why === "closest") return "came closest to passing.";
  if (l.why === "typical") return "is the most usual one: what it shows, most do.";
  const name = stage?.checks.find((c) => c.measure === l.measure)?.name ?? CATALOGUE[l.measure].name;
  return `is the odd one: ${name.toLowerCase()} lies ${l.times.toFixed(0)} times the usual spread away from the others.`;
}
