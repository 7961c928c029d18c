import type { Metadata } from "next";
import Link from "next/link";
import { whoever } from "@/app/whoever";
import { TAKEN_CLUB } from "@/core/choose";
import { CLUBS } from "@/core/drills";
import { ownProfile } from "@/server/golfers/ownProfile";
import { BASELINE } from "@/core/drills";
import { Button } from "@/ui/kit/button";
import { ProfileView } from "@/ui/profile/profileView";

export const metadata: Metadata = { title: "Profile" };

export default async function ProfilePage({
  searchParams,
}: {
  searchParams: Promise<{ club?: string }>;
}) {
  const { db, golfer } = await whoever();
  const wanted = (await searchParams).club;
  const club = CLUBS.find((c) => c === wanted) ?? TAKEN_CLUB;
  const { swings, profile } = await ownProfile(db, golfer, club);
  if (!profile)
    return (
      <>
        <p className="mt-5 side-note">What do your swings ask for?</p>
        <h1 className="page-title mb-4">
          {swings.length ? "One swing says little" : "No swings yet"}
        </h1>
        <p className="mb-5 max-w-prose text-[17px]">
          Film five normal swings from in front, as you always make them, then read the clips. They
          are held against the bands of every drill.
        </p>
        <Button look="main" asChild>
          <Link href={golfer.sample ? "/read?sample=swings" : `/read?drill=${BASELINE}`}>
            {golfer.sample ? "Read five swings" : "Read my swings"}
          </Link>
        </Button>
      </>
    );
  return (
    <ProfileView
      profile={profile}
      club={club}
      swings={swings}
      chosen={golfer.styles}
      units={golfer.units}
      latest={swings[0]!.at}
    />
  );
}
