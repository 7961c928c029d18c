"use client";

import { useMemo } from "react";
import { DRILLS, isJudged, stageOf, type Stage } from "@/core/drills";
import { playedMovement } from "@/core/play";
import { AboutDrill } from "@/ui/drills/aboutDrill";
import { DrillView, Stages, type StageShown } from "@/ui/drills/drillView";
import { Button } from "@/ui/kit/button";
import { To } from "@/ui/kit/to";
import type { AskedAtRange, AtRange } from "./atRange";
import { drillHere } from "./drillsHere";
import { findDrill } from "./keptReps";
import { NotHere } from "./notHere";

const shown = (s: Stage): StageShown => ({
  id: s.id,
  name: s.name,
  view: s.view,
  judged: isJudged(s),
  checks: s.checks,
  faults: (s.faults ?? []).map(({ id, name, tell }) => ({ id, name, tell })),
  ...(s.note ? { note: s.note } : {}),
});

/** A drill with its movement, which the phone plays by itself. */
export function DrillAtRange({ snapshot, asked }: AskedAtRange) {
  const { golfer } = snapshot;
  const drill = useMemo(() => findDrill(snapshot, asked.get("drill") ?? ""), [snapshot, asked]);
  const wanted = asked.get("stage");
  const stage = drill && (drill.stages.find((s) => s.id === wanted) ?? stageOf(drill));
  const target = useMemo(
    () => drill && stage && playedMovement(drill, stage.id, null, golfer),
    [drill, stage, golfer],
  );
  if (!drill || !stage) return <NotHere what="This drill" />;
  return (
    <>
      <div className="mt-5 mb-6 flex flex-wrap items-end justify-between gap-x-10 gap-y-4">
        <div>
          <p className="side-note">What should your feet do?</p>
          <h1 className="page-title">{drill.name}</h1>
        </div>
        <p className="max-w-[30rem] text-[20px] leading-snug">{drill.why}</p>
        <Button look="main" asChild>
          <To href={`/film?drill=${drill.id}&stage=${stage.id}`}>Film</To>
        </Button>
      </div>
      <DrillView
        key={stage.id}
        drillId={drill.id}
        stage={shown(stage)}
        target={target}
        golfer={golfer}
        movementOfFault={async (id) => playedMovement(drill, stage.id, id, golfer)!}
      >
        <section>
          <h2 className="mb-2 text-[23px]">Stages</h2>
          <Stages drillId={drill.id} stages={drill.stages.map(shown)} here={stage.id} goOn={null} />
          {stage.note && <p className="mt-2 side-note">{stage.note}</p>}
        </section>
      </DrillView>
      <AboutDrill drill={drill} stance={golfer.stance} />
    </>
  );
}

/** All drills that this phone has. */
export function DrillsAtRange({ snapshot }: AtRange) {
  const own = snapshot.own.map((d) => drillHere(d));
  return (
    <>
      <p className="mt-5 side-note">Which drill?</p>
      <h1 className="page-title mb-4">All drills are on this phone</h1>
      <ul className="grid gap-x-10 md:grid-cols-2">
        {[...own, ...DRILLS].map((d) => (
          <li key={d.id} className="border-b border-hair">
            <To href={`/drills/${d.id}`} className="block min-h-13 py-3 hover:bg-silt">
              <strong className="text-[20px]">{d.name}</strong>
              <span className="block side-note">
                {d.minutes} min, {d.places.join(" or ")}
              </span>
            </To>
          </li>
        ))}
      </ul>
    </>
  );
}
