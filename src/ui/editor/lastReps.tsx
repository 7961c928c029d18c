"use client";

import Link from "next/link";
import type { Stage } from "@/core/drills";
import { wouldSay, type KeptRep } from "@/core/practice";
import type { Verdict } from "@/core/judge";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";

const RESULTS = ["pass", "fail", "not judged"] as const;
const count = (list: readonly Verdict["result"][]) =>
  RESULTS.flatMap((r) => {
    const n = list.filter((x) => x === r).length;
    return n ? [`${n} ${WORDS[r].toLowerCase()}`] : [];
  }).join(", ");

/**
 * How the last reps would have been judged by the limits as they stand, beside what was said of
 * them.
 */
export function LastReps({ stage, reps }: { stage: Stage; reps: readonly KeptRep[] }) {
  if (!reps.length)
    return (
      <p className="side-note">
        No reps of this stage yet. Limits are best set by looking at some: do ten, then come back.
      </p>
    );
  const said = wouldSay(stage, reps);
  const changed = said.filter((c) => c.before !== c.after.result).length;
  return (
    <>
      <p className="text-[17px]" aria-live="polite">
        {changed === 0
          ? `Nothing changes for your last ${reps.length}: `
          : `${changed} of your last ${reps.length} would be judged otherwise: `}
        <strong>{count(said.map((c) => c.after.result))}</strong>
        {changed > 0 && <>, instead of {count(said.map((c) => c.before))}</>}.
      </p>
      <ol className="mt-3 flex flex-wrap gap-2" aria-label="The latest first">
        {said.map((c) => {
          const other = c.before !== c.after.result;
          const says = `${WORDS[c.after.result]}${c.after.cue ? `, ${c.after.cue.words}` : ""}${other ? `; was ${WORDS[c.before].toLowerCase()}` : ""}`;
          return (
            <li key={c.id}>
              <Link
                href={`/reps/${c.id}`}
                title={says}
                aria-label={says}
                className={`flex min-h-11 items-center gap-1 px-2 ${other ? "outline-2 -outline-offset-2 outline-ink" : "hover:bg-silt"}`}
              >
                {other && (
                  <>
                    <VerdictGlyph name={glyphOf(c.before)} size={16} className="opacity-60" />
                    <span aria-hidden>→</span>
                  </>
                )}
                <VerdictGlyph name={glyphOf(c.after.result)} size={20} />
              </Link>
            </li>
          );
        })}
      </ol>
    </>
  );
}
