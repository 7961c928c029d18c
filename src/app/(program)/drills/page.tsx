import type { Metadata } from "next";
import { findingWords, stylesOf, SYMPTOM_ROWS } from "@/core/choose";
import { takeInDrill } from "@/app/drillActions";
import { DRILLS } from "@/core/drills";
import { requestDatabase } from "@/server/db/request";
import { currentGolfer } from "@/server/golfers/golfers";
import { ownDrills } from "@/server/drills/ownDrills";
import { ownProfile } from "@/server/golfers/ownProfile";
import { lastDrill } from "@/server/reps/ownSwings";
import { Library } from "@/ui/drills/library";
import type { LibraryGolfer, OwnSwings } from "@/ui/drills/libraryGolfer";
import { ANYBODY } from "@/ui/golfer/anybody";

export const metadata: Metadata = { title: "Drills" };

export default async function DrillsPage() {
  const db = await requestDatabase();
  const known = await currentGolfer(db);
  if (!known)
    return (
      <Library
        golfer={{ ...ANYBODY, styles: stylesOf({}), last: null }}
        swings={null}
        own={[]}
        takeIn={null}
      />
    );
  const [{ profile }, last, drills] = await Promise.all([
    ownProfile(db, known),
    lastDrill(db, known.id),
    ownDrills(db, known.id),
  ]);
  const golfer: LibraryGolfer = {
    statureCm: known.statureCm,
    hand: known.hand,
    units: known.units,
    styles: profile?.styles ?? stylesOf(known.styles),
    last,
  };
  // Only what a complaint asks about goes to the page.
  const told = new Set(SYMPTOM_ROWS.flatMap((s) => s.shownBy));
  const first = profile?.suggestions[0];
  const own: OwnSwings | null = profile && {
    count: profile.swings,
    measures: Object.fromEntries(
      Object.entries(profile.measures).filter(([id]) => told.has(id as never)),
    ),
    first: first
      ? { id: first.drill.id, words: findingWords(profile.findings[0]!).toLowerCase() }
      : null,
  };
  return (
    <Library
      golfer={golfer}
      swings={own}
      own={drills.map((d) => ({
        id: d.id,
        name: d.name,
        why: d.why,
        minutes: d.minutes,
        version: d.version,
        from: DRILLS.find((b) => b.id === d.basedOn)?.name ?? "",
      }))}
      takeIn={takeInDrill.bind(null, known.id)}
    />
  );
}
