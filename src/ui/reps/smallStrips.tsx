"use client";

import Link from "next/link";
import { useState } from "react";
import type { RepCard } from "@/server/reps/bouts";
import { CARD } from "@/ui/charts/strip/geometry";
import { LazyStrip } from "@/ui/charts/strip/lazyStrip";
import { Button } from "@/ui/kit/button";
import { glyphOf, VerdictGlyph } from "@/ui/kit/glyphs";
import { useShownSoFar } from "@/ui/kit/shownSoFar";
import { repLabel } from "./repLabel";

/** So many can be laid over each other. */
const MOST = 4;

/** The reps that are chosen to be compared. */
export interface Chosen {
  ids: readonly string[];
  /** No more can be chosen. */
  full: boolean;
  choose(id: string, on: boolean): void;
}

export function useChosen(): Chosen {
  const [ids, setIds] = useState<readonly string[]>([]);
  return {
    ids,
    full: ids.length >= MOST,
    choose: (id, on) => setIds(on ? [...ids, id] : ids.filter((c) => c !== id)),
  };
}

/** Leads on to the comparison once there are two. */
export function CompareChosen({ ids }: Chosen) {
  return (
    <span aria-live="polite">
      {ids.length === 1 && <span className="side-note">One more makes a comparison.</span>}
      {ids.length > 1 && (
        <Button look="main" asChild>
          <Link href={`/compare?reps=${ids.join(",")}`}>
            Compare {ids.length === 2 ? "both" : `these ${ids.length}`}
          </Link>
        </Button>
      )}
    </span>
  );
}

/** Strips of many reps side by side, so that the odd one stands out. */
export function SmallStrips({
  reps,
  odd,
  best,
  chosen,
}: {
  reps: readonly RepCard[];
  odd: ReadonlySet<string>;
  best: string | null;
  chosen: Chosen;
}) {
  const shown = useShownSoFar(reps.length);
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(110px,1fr))] gap-x-4 gap-y-6">
      {reps.slice(0, shown).map((rep) => {
        const [isOdd, isBest, isChosen] = [
          odd.has(rep.id),
          rep.id === best,
          chosen.ids.includes(rep.id),
        ];
        return (
          // What is not on the screen is not laid out: a long session has hundreds.
          <li
            key={rep.id}
            className="[contain-intrinsic-size:110px_250px] [content-visibility:auto]"
          >
            <Link
              prefetch={false}
              href={`/reps/${rep.id}`}
              className={`block p-1 hover:bg-silt ${isOdd ? "outline-[2.5px] -outline-offset-2 outline-ink" : ""}`}
              aria-label={`${repLabel(rep)}${isOdd ? ", odd" : ""}${isBest ? ", best" : ""}`}
            >
              <LazyStrip
                id={rep.id}
                size={CARD}
                few
                className="h-[170px] [&>svg]:h-full [&>svg]:w-full"
              />
              <span className="mt-1.5 flex items-center justify-between font-semibold">
                {rep.number}
                {isOdd ? " odd" : isBest ? " best" : ""}
                {rep.result && <VerdictGlyph name={glyphOf(rep.result)} size={18} />}
              </span>
            </Link>
            <label className="inline-flex min-h-11 items-center gap-2 text-[14px]">
              <input
                type="checkbox"
                className="size-5 accent-ink"
                checked={isChosen}
                disabled={!isChosen && chosen.full}
                onChange={(e) => chosen.choose(rep.id, e.target.checked)}
              />
              compare<span className="sr-only"> rep {rep.number}</span>
            </label>
          </li>
        );
      })}
    </ul>
  );
}
