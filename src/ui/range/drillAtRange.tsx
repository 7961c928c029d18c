"use client";

import { useMemo } from "react";
import { DRILLS, stageOf } from "@/core/drills";
import { playedMovement } from "@/core/play";
import { AboutDrill } from "@/ui/drills/aboutDrill";
import { DrillHeading } from "@/ui/drills/drillHeading";
import { DrillView, Stages } from "@/ui/drills/drillView";
import { stageShown } from "@/ui/drills/stageShown";
import { Button } from "@/ui/kit/button";
import { To } from "@/ui/kit/to";
import type { AskedAtRange, AtRange } from "./atRange";
import { drillHere } from "./drillsHere";
import { findDrill } from "./keptReps";
import { NotHere } from "./notHere";

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
      <DrillHeading drill={drill}>
        <Button look="main" asChild>
          <To href={`/film?drill=${drill.id}&stage=${stage.id}`}>Film</To>
        </Button>
      </DrillHeading>
      <DrillView
        key={stage.id}
        drillId={drill.id}
        stage={stageShown(stage)}
        target={target}
        golfer={golfer}
        movementOfFault={async (id) => playedMovement(drill, stage.id, id, golfer)!}
      >
        <section>
          <h2 className="mb-2 text-[23px]">Stages</h2>
          <Stages
            drillId={drill.id}
            stages={drill.stages.map((s) => stageShown(s))}
            here={stage.id}
            goOn={null}
          />
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
