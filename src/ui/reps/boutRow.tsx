import Link from "next/link";
import type { LogBout } from "@/server/practice/log";
import type { BoutCard } from "@/server/reps/bouts";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { shortTime } from "@/ui/kit/dates";
import { TinyStrips } from "./tinyStrips";

const RESULTS = [
  ["pass", "passed"],
  ["fail", "failed"],
  ["not judged", "notJudged"],
] as const;

/**
 * A bout in the log: what it was, how its reps went, what was written, and each rep as a small
 * strip with its deciding gate.
 */
export function BoutLogRow({ bout, row }: { bout: BoutCard; row: LogBout }) {
  const when = shortTime(bout.startedAt);
  const cues = bout.reps.flatMap((r) => r.cue ?? []);
  const common = cues.sort(
    (a, b) => cues.filter((c) => c === b).length - cues.filter((c) => c === a).length,
  )[0];
  const written = [
    row.club,
    row.ball && `ball ${row.ball}`,
    row.flight?.strike && `strike ${row.flight.strike}`,
    row.flight?.carryM !== undefined && `carry ${row.flight.carryM} m`,
    row.feltShare !== null && `felt ${row.feltShare} % on the lead foot`,
    row.touched !== null && `prop ${row.touched} times`,
  ]
    .filter(Boolean)
    .join(", ");
  return (
    <section
      className="grid gap-5 py-5 md:grid-cols-[240px_1fr]"
      aria-label={`${bout.drill ?? "Measured"}, ${when}`}
    >
      <div>
        <h3 className="display text-[23px]">
          <Link className="underline-offset-4 hover:underline" href={`/bouts/${bout.id}`}>
            {bout.drill ?? "Measured only"}
          </Link>
        </h3>
        <p className="text-[14px] text-ink-2">
          {when}
          {bout.stage && `, ${bout.stage.name.toLowerCase()}`}
          {row.byHand && `, ${row.done} reps counted by you`}
        </p>
        <p className="mt-2 flex gap-4">
          {RESULTS.map(
            ([r, key]) =>
              row[key] > 0 && (
                <span key={r} className="flex items-center gap-1 font-bold" title={WORDS[r]}>
                  {row[key]}
                  <VerdictGlyph name={glyphOf(r)} size={18} />
                  <span className="sr-only">{WORDS[r]}</span>
                </span>
              ),
          )}
        </p>
        {common && <p className="mt-2 text-[15px]">Asked for most: {common.toLowerCase()}.</p>}
        {written && <p className="mt-2 side-note first-letter:uppercase">{written}.</p>}
        {row.note && <p className="mt-2 text-[15px]">{row.note}</p>}
        {row.tags.length > 0 && (
          <p className="mt-2 text-[14px] text-ink-2">{row.tags.map((t) => `#${t}`).join(" ")}</p>
        )}
      </div>
      <TinyStrips reps={bout.reps} />
    </section>
  );
}
