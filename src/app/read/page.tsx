import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { currentGolfer } from "@/server/golfers/golfers";
import { ReadClips } from "@/ui/read/readClips";

export const metadata: Metadata = { title: "Read clips" };

export default async function ReadPage({ searchParams }: { searchParams: Promise<{ drill?: string }> }) {
  const golfer = await currentGolfer(await requestDatabase());
  if (!golfer) redirect("/begin");
  return <ReadClips key={golfer.id} hand={golfer.hand} statureCm={golfer.statureCm} keepFilm={golfer.keepFilm} drill={(await searchParams).drill} />;
}
