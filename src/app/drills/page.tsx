import type { Metadata } from "next";
import { Suspense } from "react";
import { DRILLS, isJudged } from "@/core/drills";
import { Library, type Entry } from "@/ui/drills/library";

export const metadata: Metadata = { title: "Drills" };

/** What of the drills the list needs; movements stay on the server. */
const ENTRIES: Entry[] = DRILLS.map((d) => ({
  id: d.id, name: d.name, why: d.why, group: d.group, minutes: d.minutes, places: d.places, level: d.level, gear: d.gear.map((g) => g.name), trains: d.trains,
  views: [...new Set(d.stages.map((s) => s.view))], judged: d.stages.some(isJudged),
}));

export default function DrillsPage() {
  return (
    <Suspense>
      <Library entries={ENTRIES} />
    </Suspense>
  );
}
