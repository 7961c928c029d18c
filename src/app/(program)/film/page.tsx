import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { sayBody } from "@/app/planActions";
import { whoever } from "@/app/whoever";
import { drillOf } from "@/server/drills/ownDrills";
import { dayDone } from "@/server/practice/dayDone";
import { localDay } from "@/server/practice/localDay";
import { stageReps } from "@/server/reps/stageReps";
import { filmPropsFor } from "@/ui/film/filmPropsFor";
import { FilmView } from "@/ui/film/filmView";
import { keepPlace } from "./actions";
import { readPlace } from "./place";

export const metadata: Metadata = { title: "Film" };

export default async function FilmPage({
  searchParams,
}: {
  searchParams: Promise<{ drill?: string; stage?: string; reps?: string }>;
}) {
  const { db, golfer } = await whoever();
  const { drill: id = "double-step", stage, reps } = await searchParams;
  const drill = await drillOf(db, golfer.id, id);
  if (!drill) notFound();
  const today = localDay(new Date());
  const props = filmPropsFor({
    golfer,
    drill,
    stage,
    reps: Number(reps),
    done: (await stageReps(db, golfer.id, [drill])).get(drill.id) ?? [],
    place: await readPlace(),
    today,
    day: await dayDone(db, golfer.id, today),
    keepPlace,
    say: sayBody.bind(null, golfer.id),
  });
  return <FilmView key={`${golfer.id} ${drill.id} ${props.stage}`} {...props} />;
}
