"use client";

import { useMemo, useState } from "react";
import { eventTimes } from "@/core/analysis";
import type { RepDetail } from "@/server/reps/queries";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { To } from "@/ui/kit/to";
import { AlsoMeasured } from "@/ui/review/alsoMeasured";
import { StripPanel } from "@/ui/review/stripPanel";
import { useTrack } from "@/ui/review/useTrack";
import { Viewer } from "@/ui/review/viewer";
import type { AskedAtRange } from "./atRange";
import { NotHere } from "./notHere";
import { useReps } from "./useRep";

/** A rep that was filmed on this phone: verdict, strip, film with joints. */
export function RepAtRange({ snapshot, bouts, asked }: AskedAtRange) {
  const id = asked.get("rep") ?? "";
  const ids = useMemo(() => [id], [id]);
  const reps = useReps(ids, bouts, snapshot);
  if (reps === "asking") return <p className="mt-10 text-ink-2">The rep is being worked out.</p>;
  const [rep] = reps;
  return rep ? <Shown rep={rep} /> : <NotHere what="This rep" />;
}

function Shown({ rep }: { rep: RepDetail }) {
  const loaded = useTrack(rep);
  const events = eventTimes(rep.events);
  const { verdict: v } = rep;
  const cue = v?.checks.find((c) => c.id === v.cue?.id);
  const [start] = useState(
    (cue && rep.measures[cue.measure]?.at) ?? events.impact ?? rep.series.t[0]!,
  );
  const [ms, setMs] = useState(start);
  const [wanted, setWanted] = useState<{ ms: number } | null>(null);
  return (
    <>
      <Heading rep={rep} />
      {v?.reason && <p className="mt-2 max-w-[760px] text-[17px]">{v.reason.message}</p>}
      <div className="mt-4 grid gap-x-6 gap-y-8 lg:grid-cols-[minmax(320px,400px)_1fr]">
        {loaded ? (
          <Viewer
            rep={rep}
            insoles={null}
            track={loaded.track}
            filmRate={loaded.filmRate}
            scale={null}
            start={start}
            wanted={wanted}
            shown={setMs}
            undo={() => {}}
          />
        ) : (
          <div className="grid aspect-square w-full max-w-[440px] place-items-center bg-silt text-ink-2">
            Fetching the track…
          </div>
        )}
        <StripPanel
          rep={rep}
          events={events}
          ms={ms}
          // What is put right is put right on the computer.
          busy
          seek={(to) => setWanted({ ms: to })}
          correct={() => {}}
          insoleShare={undefined}
        />
      </div>
      <AlsoMeasured rep={rep} />
      <p className="mt-6 side-note">
        What is put right of it, its report and its files are on the computer once it has the rep.
      </p>
    </>
  );
}

function Heading({ rep }: { rep: RepDetail }) {
  const { verdict: v } = rep;
  const at = rep.boutReps.indexOf(rep.id);
  const others = rep.boutReps.filter((other) => other !== rep.id);
  return (
    <div className="flex flex-wrap items-start justify-between gap-4 pt-5">
      <div className="flex gap-5">
        {v && <VerdictGlyph name={glyphOf(v.result)} size={62} className="mt-1" />}
        <div>
          <p className="side-note">
            {v && `${WORDS[v.result]} · `}rep {rep.number} of {rep.boutReps.length} · {rep.drill} ·{" "}
            {longTime(rep.boutStartedAt)}
          </p>
          <h1 className="page-title">
            {v?.cue?.words ??
              (v?.result === "pass" ? "Every check that counts passed" : "Not judged")}
          </h1>
        </div>
      </div>
      <div className="flex flex-wrap gap-3">
        {rep.boutReps[at - 1] && (
          <Button asChild>
            <To href={`/reps/${rep.boutReps[at - 1]}`}>← Rep {rep.number - 1}</To>
          </Button>
        )}
        {rep.boutReps[at + 1] && (
          <Button asChild>
            <To href={`/reps/${rep.boutReps[at + 1]}`}>Rep {rep.number + 1} →</To>
          </Button>
        )}
        {others[0] && (
          <Button asChild>
            <To href={`/compare?reps=${rep.id},${rep.boutReps[at + 1] ?? others.at(-1)}`}>
              Compare
            </To>
          </Button>
        )}
      </div>
    </div>
  );
}
