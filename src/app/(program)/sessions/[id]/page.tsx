import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { whoever } from "@/app/whoever";
import { firstToLast, glance } from "@/core/practice";
import { findSession } from "@/server/reps/bouts";
import { bestRep } from "@/server/reps/best";
import { groups } from "@/server/reps/rows";
import { SessionGlance } from "@/ui/reps/sessionGlance";

export const metadata: Metadata = { title: "Session" };

export default async function SessionPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, golfer } = await whoever();
  const found = await findSession(db, golfer.id, (await params).id);
  if (!found.length) notFound();
  // The usual way and the odd one are of all reps of a stage, whichever bout they are of.
  const byStage = [...groups(found, ({ bout }) => `${bout.drillId} ${bout.stage?.id}`).values()];
  const parts = await Promise.all(
    byStage.map(async (of) => {
      const { drill, drillId, stage } = of[0]!.bout;
      return {
        drill,
        stage: stage?.name ?? null,
        bouts: of.map((o) => o.bout),
        glance: glance(
          of.flatMap((o) => o.reps),
          stage?.checks.map((c) => c.measure) ?? [],
        ),
        best: drillId && stage ? await bestRep(db, golfer.id, drillId, stage.id) : null,
      };
    }),
  );
  // One drill, bout after bout: how it went from the first to the last.
  const filmed = found.filter((f) => f.reps.length);
  const focus =
    byStage.length === 1 && filmed.length > 1
      ? firstToLast(
          filmed[0]!.reps,
          filmed.at(-1).reps,
          filmed[0]!.bout.stage?.checks.map((c) => c.measure) ?? [],
        )
      : null;
  return (
    <SessionGlance
      focus={focus}
      units={golfer.units}
      startedAt={found[0]!.bout.startedAt}
      place={found[0]!.bout.place}
      parts={parts}
    />
  );
}
