import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { startsStill } from "@/core/live/loop";
import { hangTogether } from "@/core/reps/rep";
import { whoever } from "@/app/whoever";
import { BASELINE } from "@/server/reps/ownSwings";
import { drillOf } from "@/server/drills/ownDrills";
import type { Drill } from "@/core/drills";
import { FilmView } from "@/ui/film/filmView";

export const metadata: Metadata = { title: "Film" };

/** Films that stand in for a camera, by drill. */
const STAND_INS: Record<string, readonly string[]> = { "double-step": ["/samples/double-step-bout.mp4"] };

export default async function FilmPage({ searchParams }: { searchParams: Promise<{ drill?: string; stage?: string; reps?: string }> }) {
  const { db, golfer } = await whoever();
  const { drill: id = "double-step", stage: stageId, reps } = await searchParams;
  const drill = await drillOf(db, id);
  if (!drill) notFound();
  const stage = drill.stages.find((s) => s.id === stageId) ?? drill.stages.find((s) => s.main) ?? drill.stages[0]!;
  const wanted = Number(reps);
  return (
    <FilmView
      key={`${golfer.id} ${drill.id} ${stage.id}`}
      drill={{ id: drill.id, own: drill.basedOn ? bare(drill) : null }} stage={stage.id} drillName={drill.name} stageName={stage.name} view={stage.view}
      stillStart={startsStill(stage.rules)} statureCm={golfer.statureCm} hand={golfer.hand} keepFilm={golfer.keepFilm}
      reps={Number.isInteger(wanted) && wanted > 0 && wanted <= MOST_REPS ? wanted : drill.dose.reps}
      handsFree={!hangTogether(stage.rules)}
      baseline={drill.id === BASELINE}
      standIn={golfer.sample && drill.id in STAND_INS} films={STAND_INS[drill.id] ?? []}
    />
  );
}

const MOST_REPS = 60;

/** A drill without its movements: functions stay on the server. */
const bare = (drill: Drill): Drill => ({ ...drill, stages: drill.stages.map(({ target: _, faults: __, ...stage }) => stage) });
