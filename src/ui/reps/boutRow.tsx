import Link from "next/link";
import type { BoutCard } from "@/server/reps/bouts";
import { TINY } from "@/ui/charts/strip/geometry";
import { LazyStrip } from "@/ui/charts/strip/lazyStrip";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { shortTime } from "@/ui/kit/dates";
import { repLabel, repTitle } from "./repLabel";

const RESULTS = ["pass", "fail", "not judged"] as const;

/** A bout in the log: what it was, how its reps went, and each rep as a small strip with its deciding gate. */
export function BoutRow({ bout }: { bout: BoutCard }) {
  const when = shortTime(bout.startedAt);
  const cues = bout.reps.flatMap((r) => r.cue ?? []);
  const common = cues.sort((a, b) => cues.filter((c) => c === b).length - cues.filter((c) => c === a).length)[0];
  return (
    <section className="grid gap-5 border-t border-hair py-6 md:grid-cols-[240px_1fr]" aria-label={`${bout.drill ?? "Measured"}, ${when}`}>
      <div>
        <p className="text-[14px] text-ink-2"><Link className="underline-offset-4 hover:underline" href={`/sessions/${bout.sessionId}`}>{when}{bout.place && ` · ${bout.place}`}</Link></p>
        <h2 className="mt-1 text-[23px]"><Link className="underline-offset-4 hover:underline" href={`/bouts/${bout.id}`}>{bout.drill ?? "Measured only"}</Link></h2>
        <p className="mt-2 flex gap-4">
          {RESULTS.map((r) => {
            const n = bout.reps.filter((x) => x.result === r).length;
            return n > 0 && <span key={r} className="flex items-center gap-1 font-bold" title={WORDS[r]}>{n}<VerdictGlyph name={glyphOf(r)} size={18} /><span className="sr-only">{WORDS[r]}</span></span>;
          })}
        </p>
        {common && <p className="mt-2 text-[15px]">Asked for most: {common.toLowerCase()}.</p>}
      </div>
      <ul className="flex flex-wrap gap-x-4 gap-y-4">
        {bout.reps.map((r) => (
          <li key={r.id}>
            <Link prefetch={false} href={`/reps/${r.id}`} className="block p-1 hover:bg-silt" aria-label={repLabel(r)} title={repTitle(r)}>
              <LazyStrip id={r.id} size={TINY} className="h-[110px] w-[44px]" />
              <span className="mt-1.5 flex items-center justify-between font-semibold">
                {r.number}
                {r.result && <VerdictGlyph name={glyphOf(r.result)} size={16} />}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
