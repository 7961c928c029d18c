"use client";

import Link from "next/link";
import type { RepCard } from "@/server/reps/bouts";
import { TINY } from "@/ui/charts/strip/geometry";
import { LazyStrip } from "@/ui/charts/strip/lazyStrip";
import { glyphOf, VerdictGlyph } from "@/ui/kit/glyphs";
import { useShownSoFar } from "@/ui/kit/shownSoFar";
import { repLabel, repTitle } from "./repLabel";

/** A bout's reps in the log, each as a small strip with its deciding gate. */
export function TinyStrips({ reps }: { reps: readonly RepCard[] }) {
  const shown = useShownSoFar(reps.length);
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-4">
      {reps.slice(0, shown).map((r) => (
        <li key={r.id}>
          <Link
            prefetch={false}
            href={`/reps/${r.id}`}
            className="block p-1 hover:bg-silt"
            aria-label={repLabel(r)}
            title={repTitle(r)}
          >
            <LazyStrip id={r.id} size={TINY} className="h-[110px] w-[44px]" />
            <span className="mt-1.5 flex items-center justify-between font-semibold">
              {r.number}
              {r.result && <VerdictGlyph name={glyphOf(r.result)} size={16} />}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
