import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { bin, keepRow } from "@/app/logActions";
import { sayBody } from "@/app/planActions";
import { whoever } from "@/app/whoever";
import { questionsOf } from "@/core/drills";
import { bodyDue, doseOfDay, glance } from "@/core/practice";
import { drillOf } from "@/server/drills/ownDrills";
import { findBoutRow } from "@/server/practice/boutRow";
import { dayDone } from "@/server/practice/dayDone";
import { localDay } from "@/server/practice/localDay";
import { BASELINE } from "@/core/drills";
import { findBout } from "@/server/reps/bouts";
import { bestRep } from "@/server/reps/best";
import { doseWords } from "@/ui/reps/doseWords";
import { BoutGlance } from "@/ui/reps/boutGlance";

export const metadata: Metadata = { title: "Bout" };

export default async function BoutPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, golfer } = await whoever();
  const found = await findBout(db, golfer.id, (await params).id);
  if (!found) notFound();
  const { bout, reps, problems } = found;
  const best =
    bout.stage && bout.drillId ? await bestRep(db, golfer.id, bout.drillId, bout.stage.id) : null;
  const [row, drill] = await Promise.all([
    findBoutRow(db, golfer.id, bout.id),
    bout.drillId ? drillOf(db, golfer.id, bout.drillId) : null,
  ]);
  const day = localDay(bout.startedAt);
  const done = await dayDone(db, golfer.id, day);
  const upTo = done.slice(0, done.findIndex((d) => d.id === bout.id) + 1);
  const today = localDay(new Date());
  const dose =
    drill && drill.id !== BASELINE
      ? doseWords(
          doseOfDay(
            drill.dose,
            upTo.filter((d) => d.drillId === drill.id).map((d) => d.results),
          ),
          drill.dose,
          day === today,
        )
      : null;
  const asks = day === today && bodyDue(golfer.body, today, done) === "after";
  return (
    <BoutGlance
      dose={dose}
      body={asks ? { sore: golfer.sore?.part ?? null, say: sayBody.bind(null, golfer.id) } : null}
      bout={bout}
      glance={glance(reps, bout.stage?.checks.map((c) => c.measure) ?? [])}
      problems={problems}
      best={best}
      row={row!}
      asked={drill ? questionsOf(drill, bout.stage ?? undefined) : []}
      counted={bout.byHand ? bout.done : null}
      keep={keepRow.bind(null, golfer.id)}
      bin={bin.bind(null, golfer.id)}
    />
  );
}
