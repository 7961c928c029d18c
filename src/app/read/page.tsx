import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";
import { ReadClips } from "@/ui/read/readClips";

export const metadata: Metadata = { title: "Read clips" };

export default async function ReadPage() {
  const golfer = await currentGolfer(await database());
  if (!golfer) redirect("/begin");
  return <ReadClips key={golfer.id} hand={golfer.hand} keepFilm={golfer.keepFilm} />;
}
