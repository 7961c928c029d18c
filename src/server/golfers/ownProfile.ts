import { FEWEST_SWINGS, profileOf, TAKEN_CLUB, type Profile } from "../../core/choose";
import type { Club } from "../../core/drills";
import type { Db } from "../db/open";
import { ownSwings, type OwnRep } from "../reps/ownSwings";
import type { Golfer } from "./golfers";

/**
 * A golfer's own latest swings and what they show, taken for swings with one club; no profile where
 * they are too few.
 */
export async function ownProfile(
  db: Db,
  golfer: Golfer,
  club: Club = TAKEN_CLUB,
): Promise<{ swings: OwnRep[]; profile: Profile | null }> {
  const swings = await ownSwings(db, golfer.id);
  return {
    swings,
    profile:
      swings.length < FEWEST_SWINGS
        ? null
        : profileOf(
            swings.map((s) => s.measures),
            { statureCm: golfer.statureCm, club, styles: golfer.styles },
          ),
  };
}
