import type { Metadata } from "next";
import { DRILLS } from "@/core/drills";
import { whoever } from "@/app/whoever";
import { ownDrills } from "@/server/drills/ownDrills";
import type { DrillToRead } from "@/ui/read/judgedAs";
import { ReadClips } from "@/ui/read/readClips";

export const metadata: Metadata = { title: "Read clips" };

export default async function ReadPage({
  searchParams,
}: {
  searchParams: Promise<{ drill?: string; stage?: string; sample?: string }>;
}) {
  const { db, golfer } = await whoever();
  const { drill, stage, sample } = await searchParams;
  const set = golfer.sample && (sample === "rep" || sample === "swings") ? sample : undefined;
  const drills = [...DRILLS, ...(await ownDrills(db, golfer.id))].map((d): DrillToRead => ({
    id: d.id,
    name: d.name,
    readAs: d.basedOn ?? d.id,
    version: d.version,
    stages: d.stages.map(({ id, name, view, main }) => ({ id, name, view, main })),
  }));
  return (
    <ReadClips
      key={golfer.id}
      golferId={golfer.id}
      drills={drills}
      hand={golfer.hand}
      statureCm={golfer.statureCm}
      keepFilm={golfer.keepFilm}
      drill={drill}
      stage={stage}
      sample={set}
      cautionsRead={Object.keys(golfer.cautionsRead)}
    />
  );
}
