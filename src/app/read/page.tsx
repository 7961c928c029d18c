import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { currentGolfer } from "@/server/golfers/golfers";
import { ReadClips } from "@/ui/read/readClips";

export const metadata: Metadata = { title: "Read clips" };

export default async function ReadPage({ searchParams }: { searchParams: Promise<{ drill?: string; stage?: string; sample?: string }> }) {
  const golfer = await currentGolfer(await requestDatabase());
  if (!golfer) redirect("/begin");
  const { drill, stage, sample } = await searchParams;
  const set = golfer.sample && (sample === "rep" || sample === "swings") ? sample : undefined;
  return <ReadClips key={golfer.id} hand={golfer.hand} statureCm={golfer.statureCm} keepFilm={golfer.keepFilm} drill={drill} stage={stage} sample={set} cautionsRead={Object.keys(golfer.cautionsRead)} />;
}
